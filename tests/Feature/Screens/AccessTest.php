<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Conversation;
use App\Models\Role;
use App\Models\Rule;
use Illuminate\Routing\Route as Routed;
use Illuminate\Support\Facades\Route;
use Tests\Feature\TestCase;

final class AccessTest extends TestCase
{
    /** What each role may open or do; everything else is refused. */
    private const MAY = [
        'log-out' => 'everybody', 'home' => 'everybody', 'conversations.index' => 'everybody', 'conversations.show' => 'everybody',
        'people.index' => 'everybody', 'people.show' => 'everybody',
        'conversations.write' => 'converse', 'conversations.done' => 'converse', 'measure' => 'converse',
        'today' => 'view', 'rules.index' => 'view', 'rules.show' => 'view', 'rules.preview' => 'view', 'sent.index' => 'view',
        'sources.index' => 'view', 'sources.show' => 'view', 'safeguards.index' => 'view',
        'rules.draft.update' => 'administer', 'rules.draft.publish' => 'administer', 'rules.draft.destroy' => 'administer', 'rules.power' => 'administer',
        'messages.ask-again' => 'administer', 'messages.drop' => 'administer', 'safeguards.update' => 'administer', 'demo.clock' => 'administer',
    ];

    private const OPEN = ['log-in', 'in.carrier', 'in.source'];

    public function testEveryRouteIsGuardedForEveryRole(): void
    {
        $this->missedCall(self::WEN);
        $this->textFrom(self::WEN, 'HELP');
        $conversation = Conversation::query()->firstOrFail();
        $parameters = ['rule' => Rule::query()->firstOrFail()->id, 'conversation' => $conversation->id, 'person' => $conversation->person_id, 'message' => 1, 'source' => 1];
        $seen = [];

        foreach ($this->ownRoutes() as $route) {
            $name = (string) $route->getName();
            $seen[] = $name;
            $url = route($name, array_intersect_key($parameters, array_flip($route->parameterNames())));
            $method = array_values(array_diff($route->methods(), ['HEAD']))[0];
            $this->app->make('auth')->forgetGuards();
            $this->call($method, $url)->assertRedirect('/log-in');

            foreach (Role::cases() as $role) {
                $allowed = match (self::MAY[$name]) {
                    'everybody' => true, 'converse' => $role->converses(), 'view' => $role->views(), 'administer' => $role->administers(),
                };
                $status = $this->actingAs($this->staff($role))->call($method, $url)->getStatusCode();
                $allowed
                    ? self::assertContains($status, [200, 302, 404, 422], "$role->value $name")
                    : self::assertSame(403, $status, "$role->value $name");
            }
        }
        self::assertEqualsCanonicalizing(array_keys(self::MAY), $seen);
    }

    public function testLogsInAndOutAndRefusesWithoutSayingWhichWasWrong(): void
    {
        $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'wrong'])->assertSessionHasErrors('email');
        $this->post('/log-in', ['email' => 'nobody@osierquay.example', 'password' => 'wrong'])->assertSessionHasErrors('email');
        $this->assertGuest();
        $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'boathouse'])->assertRedirect('/');
        $this->assertAuthenticated();
        $this->post('/log-out')->assertRedirect('/log-in');
        $this->assertGuest();
    }

    public function testGuessingIsSlowedDown(): void
    {
        for ($i = 0; $i < 5; $i++) {
            $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => "guess $i"])->assertRedirect();
        }
        $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'boathouse'])->assertSessionHasErrors(['email' => 'Too many wrong tries. Wait 60 seconds, then try again.']);
        $this->assertGuest();
    }

    public function testNothingButWhatWeShipMayRun(): void
    {
        $policy = (string) $this->get('/log-in')->headers->get('Content-Security-Policy');

        self::assertStringContainsString("default-src 'self'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
    }

    /** @return list<Routed> */
    private function ownRoutes(): array
    {
        return array_values(array_filter(
            Route::getRoutes()->getRoutes(),
            fn (Routed $route): bool => $route->uri() !== 'up' && ! in_array($route->getName(), self::OPEN, true) && $route->uri() !== 'log-in',
        ));
    }
}
