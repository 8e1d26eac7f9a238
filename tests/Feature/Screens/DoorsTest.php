<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Exports\CsvExport;
use App\Models\Role;
use App\Outside\Address;
use App\Outside\PublicAddress;
use App\People\Erasing;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Sleep;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

/** Who gets in, what is sent along, and what is told to those who do not. */
final class DoorsTest extends TestCase
{
    public function testAnOwnSuccessDoesNotClearWhatWasTriedFromHere(): void
    {
        Sleep::fake();
        $refused = 0;
        for ($i = 0; $i < 54; $i++) {
            $response =
                $i % 4 === 3
                    ? $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'boathouse'])
                    : $this->post('/log-in', ['email' => "tom$i@osierquay.example", 'password' => "guess $i"]);
            $refused +=
                session('errors')?->getBag('default')->first('email') !== null &&
                str_starts_with((string) session('errors')->first('email'), 'Too many')
                    ? 1
                    : 0;
            $this->post('/log-out');
            $this->flushSession();
        }

        self::assertGreaterThan(8, $refused);
    }

    public function testGuessingFromEverywhereSlowsAnAccountDownAndShutsNobodyOut(): void
    {
        Sleep::fake();
        for ($i = 0; $i < 30; $i++) {
            $this->withServerVariables(['REMOTE_ADDR' => "198.51.100.$i"])
                ->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => "guess $i"])
                ->assertSessionHasErrors(['email' => 'No one logs in with this email and password. Check both and try again.']);
        }
        Sleep::assertSleptTimes(10);
        $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.9'])
            ->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'boathouse'])
            ->assertRedirect('/');
        $this->assertAuthenticated();
    }

    public function testTriesAreCountedBeforeTheyAreLookedAt(): void
    {
        RateLimiter::hit('log-in|mira@osierquay.example|127.0.0.1');
        for ($i = 0; $i < 4; $i++) {
            RateLimiter::hit('log-in|mira@osierquay.example|127.0.0.1');
        }

        $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'boathouse'])->assertSessionHasErrors('email');
        $this->assertGuest();
    }

    public function testATokenEndsWithItsOwnersRole(): void
    {
        $mira = $this->staff(Role::Administrator);
        $token = $mira->createToken('Website', ['people:read'])->plainTextToken;
        $this->withToken($token)->getJson('/api/v1/people')->assertOk();
        $mira->update(['role' => Role::Viewer]);
        $this->app->make('auth')->forgetGuards();

        $this->withToken($token)->getJson('/api/v1/people')->assertUnauthorized();
    }

    public function testOnlyATrustedProxyIsBelieved(): void
    {
        $asked = fn (): bool => str_contains(
            (string) $this->get('/log-in', ['X-Forwarded-Proto' => 'https', 'X-Forwarded-For' => '203.0.113.7'])->headers->get(
                'Set-Cookie',
            ),
            'secure',
        );
        self::assertFalse($asked());
        \Illuminate\Http\Middleware\TrustProxies::at(['127.0.0.1']);
        try {
            self::assertTrue($asked());
        } finally {
            \Illuminate\Http\Middleware\TrustProxies::at([]);
        }
    }

    public function testEveryAnswerCarriesItsHeadersAndNoPageWithPeopleIsKept(): void
    {
        foreach (['/nowhere', '/today', '/log-in', '/api/v1/people', '/in/nobody'] as $path) {
            self::assertStringContainsString(
                "default-src 'self'",
                (string) $this->get($path)->headers->get('Content-Security-Policy'),
                $path,
            );
        }
        $this->actingAs($this->staff(Role::Administrator));
        foreach (['/today', '/people', '/sent'] as $path) {
            self::assertStringContainsString('no-store', (string) $this->get($path)->headers->get('Cache-Control'), $path);
        }
    }

    public function testABusyDatabaseIsSaidAndTheSenderMayTryAgain(): void
    {
        DB::connection()->beforeExecuting(function (string $sql): void {
            if (str_contains($sql, 'insert into "deliveries"') || str_contains($sql, 'from "people"')) {
                $e = new \PDOException('SQLSTATE[HY000]: General error: 13 database or disk is full');
                $e->errorInfo = ['HY000', 13, 'database or disk is full'];
                throw $e;
            }
        });

        $this->missedCall(self::WEN)->assertStatus(503)->assertHeader('Retry-After', 5);
        $this->actingAs($this->staff(Role::Administrator))->get('/people')->assertStatus(503)->assertSee('Ask again in a moment');
        $this->post('/people', ['number' => self::WEN])->assertStatus(503)->assertSee('What you sent was not kept');
    }

    #[DataProvider('addresses')]
    public function testTheNameThatIsLookedUpIsTheOneThatIsGoneTo(string $written, string $goneTo): void
    {
        self::assertSame($goneTo, Address::read($written)->url);
    }

    /** @return iterable<string, array{string, string}> */
    public static function addresses(): iterable
    {
        yield 'a dot at the end' => ['https://files.example./a', 'https://files.example/a'];
        yield 'another full stop' => ['https://files。example/a', 'https://files.example/a'];
        yield 'capitals' => ['https://FILES.example/a', 'https://files.example/a'];
        yield 'letters of another script' => ['https://bücher.example/a', 'https://xn--bcher-kva.example/a'];
        yield 'percent signs' => ['https://files%2eexample/a', 'https://files.example/a'];
    }

    public function testGivenUpRelaysAreNotGoneTo(): void
    {
        self::assertSame([false, false, true], array_map(PublicAddress::is(...), ['192.88.99.1', '192.88.99.255', '192.88.98.1']));
    }

    #[DataProvider('cells')]
    public function testNoCellBecomesAFormula(string $cell, string $safe): void
    {
        self::assertSame($safe, CsvExport::safe($cell));
    }

    /** @return iterable<string, array{string, string}> */
    public static function cells(): iterable
    {
        yield 'at its beginning' => ['=1+1', "'=1+1"];
        yield 'after a separator' => ['hello;=HYPERLINK("http://x")', "hello;'=HYPERLINK(\"http://x\")"];
        yield 'after a tab' => ["a\t@SUM(A1)", "a\t'@SUM(A1)"];
        yield 'on a line of its own' => ["a\n+cmd", "a\n'+cmd"];
        yield 'numbers are left alone' => ['12;-3;+44,5', '12;-3;+44,5'];
        yield 'talk is left alone' => ['a = b, at noon - or later', 'a = b, at noon - or later'];
    }

    public function testErasingFindsWhatCameInOtherBytes(): void
    {
        $this->missedCall(self::WEN, ['ref' => '']);
        $body = (string) json_encode(['ref' => '', 'cli' => self::WEN]);
        $this->postPhone("\xFF\xFE".mb_convert_encoding($body, 'UTF-16LE', 'UTF-8'));
        $this->postPhone("\x80".$body);
        self::assertSame(2, DB::table('deliveries')->where('is_binary', true)->count());

        resolve(Erasing::class)->erase($this->person(self::WEN));
        self::assertSame([], DB::table('deliveries')->where('body', '!=', '')->where('is_binary', true)->pluck('body')->all());
    }

    public function testWhateverLeadsToAnotherTableIsFoundByIt(): void
    {
        $missing = [];
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            $first = array_map(fn (array $index): string => (string) ($index['columns'][0] ?? ''), Schema::getIndexes($table));
            foreach (Schema::getForeignKeys($table) as $key) {
                in_array($key['columns'][0], $first, true) || $missing[] = "$table.{$key['columns'][0]}";
            }
        }

        self::assertSame([], $missing);
    }
}
