<?php

declare(strict_types=1);

namespace Tests\Feature\Commands;

use App\Models\Business;
use App\Models\Role;
use App\Models\Staff;
use App\Setup\SetupForm;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Screens\EveryRoute;
use Tests\Feature\TestCase;
use Tests\Support\Databases;

/** Linnet on a database with nothing in it. */
final class SetupTest extends TestCase
{
    use EveryRoute;

    private const SAID = [
        'business' => 'Alder Lock Canoes', 'country' => 'CA', 'zone' => 'America/Toronto', 'currency' => 'CAD', 'name' => 'Ines Falk',
        'email' => 'Ines@alderlock.example', 'password' => 'weir and sluice',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        Databases::empty(...Databases::tables());
        DB::table('forecast_states')->insert(['stamp' => '']);
    }

    public function testTheFirstPageAsksForTheBusinessAndWhoLooksAfterItAndEveryPageOpensThen(): void
    {
        $this->get('/')->assertRedirect('/log-in');
        $this->get('/log-in')->assertRedirect('/install');
        $this->get('/install')->assertOk()->assertSee('Set up Linnet')->assertSee('Canada');
        $this->from('/install')->post('/install', ['zone' => 'Mars/Crater', 'password' => 'short'] + self::SAID)
            ->assertSessionHasErrors(['zone' => 'Choose its time zone, such as Europe/London.', 'password' => 'Take at least 10 characters.'])
            ->assertSessionHasInput('business', 'Alder Lock Canoes');
        $this->post('/install', [])->assertSessionHasErrors(array_keys(self::SAID));
        self::assertSame(0, Business::query()->count() + Staff::query()->count());

        $this->post('/install', self::SAID)->assertRedirect('/lines');
        $ines = Staff::query()->sole();
        self::assertSame([Role::Administrator, 'ines@alderlock.example'], [$ines->role, $ines->email]);
        $business = Business::ours();
        self::assertSame(['Alder Lock Canoes', 'America/Toronto', 'CAD'], [$business->name, $business->zone, $business->currency()]);
        $opened = 0;
        foreach ($this->ownRoutes() as $route) {
            if (in_array('GET', $route->methods(), true) && $route->parameterNames() === []) {
                $status = $this->actingAs($ines)->get(route((string) $route->getName()))->getStatusCode();
                self::assertContains($status, [200, 302], (string) $route->getName());
                $opened++;
            }
        }
        self::assertGreaterThan(20, $opened);
        $this->get('/today')->assertSee('There is no line to send from');
        $this->put('/settings/business', ['business' => '', 'country' => 'CA', 'zone' => 'Europe/London'])
            ->assertSessionHasErrors('business');
        $this->put('/settings/business', ['business' => 'Alder Lock', 'country' => 'US', 'zone' => 'America/New_York'])->assertRedirect();
        self::assertSame(['Alder Lock', 'US'], [Business::ours()->name, Business::ours()->country]);
        $this->post('/lines', ['name' => 'lock', 'sender' => '+1 416 555 0110'])->assertRedirect();
        $this->get('/today')->assertDontSee('There is no line to send from');
        // Once is enough, and nobody else takes it over.
        $this->post('/log-out');
        $this->get('/install')->assertRedirect('/log-in');
        $this->post('/install', ['email' => 'other@alderlock.example'] + self::SAID)->assertRedirect('/log-in');
        self::assertSame(1, Staff::query()->count());
        $this->post('/log-in', ['email' => 'ines@alderlock.example', 'password' => 'weir and sluice'])->assertRedirect('/');
    }

    public function testTheCommandDoesTheSameAndSaysWhatIsMissing(): void
    {
        $options = fn (array $said): array => array_combine(array_map(fn (string $key): string => "--$key", array_keys($said)), $said);
        self::assertSame(1, Artisan::call('linnet:install', ['--no-interaction' => true] + $options(['country' => 'XX'] + self::SAID)));
        self::assertStringContainsString('--country: Choose the country it is in.', Artisan::output());
        self::assertSame(0, Artisan::call('linnet:install', ['--no-interaction' => true] + $options(['country' => 'ca'] + self::SAID)));
        self::assertStringContainsString('Alder Lock Canoes is there, and Ines Falk may log in', Artisan::output());
        self::assertSame(1, Artisan::call('linnet:install', ['--no-interaction' => true] + $options(self::SAID)));
        self::assertStringContainsString('Linnet is set up already', Artisan::output());
        self::assertSame(1, Staff::query()->count());
    }

    public function testTheCountriesAndCurrenciesAreThoseThatAre(): void
    {
        $countries = SetupForm::countries();
        self::assertSame(['United Kingdom', 'Canada', null], [$countries['GB'], $countries['CA'], $countries['EU'] ?? null]);
        self::assertGreaterThan(200, count($countries));
        self::assertSame([], array_diff(['GBP', 'CAD', 'JPY', 'CHF'], SetupForm::currencies()));
    }
}
