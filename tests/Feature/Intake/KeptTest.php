<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Intake\Pruning;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Record;
use App\Models\Role;
use App\Models\Source;
use App\Sentences\Sentence;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;
use Tests\Support\Databases;

/** Every delivery is kept, with its reason, whatever happens while it is worked on; and nobody fills the disk. */
final class KeptTest extends TestCase
{
    public function testWhatFailsWhileItIsWorkedOnIsKeptAndTakenAgain(): void
    {
        Databases::break('records', 'the page is torn');
        $this->missedCall(self::WEN)->assertStatus(422);

        $delivery = Delivery::query()->sole();
        self::assertSame(DeliveryState::Refused, $delivery->state);
        self::assertStringContainsString('the page is torn', Sentence::of($delivery->reason ?? ['code' => '', 'with' => []]));
        $this->actingAs($this->staff(Role::Administrator))->post("/sources/phone/deliveries/$delivery->id/replay")->assertRedirect();
        self::assertSame([DeliveryState::Refused, 0], [$delivery->refresh()->state, Record::query()->count()]);

        Databases::mend('records');
        $this->post("/sources/phone/deliveries/$delivery->id/replay")->assertRedirect();
        self::assertSame([DeliveryState::Taken, 1], [$delivery->refresh()->state, Record::query()->count()]);
    }

    /** @param  array<string, string>  $server */
    #[DataProvider('oddPosts')]
    public function testAPostIsAPostWhateverStandsInIt(string $body, array $server, int $status): void
    {
        $this->call(
            'POST',
            '/in/phone',
            server: [
                'HTTP_AUTHORIZATION' => 'Bearer '.DatabaseSeeder::PHONE_SECRET,
                'CONTENT_TYPE' => 'application/x-www-form-urlencoded',
            ] + $server,
            content: $body,
        )->assertStatus($status);

        self::assertSame(1, Delivery::query()->count());
    }

    /** @return iterable<string, array{string, array<string, string>, int}> */
    public static function oddPosts(): iterable
    {
        yield 'nested over 64 deep' => ['a'.str_repeat('[b]', 100).'=1', [], 422];
        yield 'the same, written otherwise' => ['a'.str_repeat('%5Bb%5D', 100).'=1', [], 422];
        yield 'a field called _method' => ['ref=1&_method=DELETE', [], 200];
        yield 'a method of its own' => ['ref=1', ['HTTP_X_HTTP_METHOD_OVERRIDE' => 'PUT'], 200];
        yield 'no method at all' => ['ref=1&_method=nonsense', ['HTTP_X_HTTP_METHOD_OVERRIDE' => 'x y'], 200];
    }

    public function testAFormInSeveralPartsIsKeptWithItsFields(): void
    {
        $this->call(
            'POST', '/in/phone', ['evt' => 'call.over', 'ring' => ['ms' => '1']], [],
            ['sound' => UploadedFile::fake()->createWithContent('call.wav', 'x')],
            ['HTTP_AUTHORIZATION' => 'Bearer '.DatabaseSeeder::PHONE_SECRET, 'CONTENT_TYPE' => 'multipart/form-data; boundary=x'],
        )->assertStatus(200);

        self::assertSame('evt=call.over&ring%5Bms%5D=1&sound=call.wav', Delivery::query()->sole()->body);
    }

    public function testADeliveryWhoseSecretWasLostWithTheKeyIsKeptAndSaysSo(): void
    {
        $other = (new \Illuminate\Encryption\Encrypter(random_bytes(32), 'AES-256-CBC'))->encryptString(DatabaseSeeder::PHONE_SECRET);
        DB::table('sources')->where('key', 'phone')->update(['secret' => $other]);
        $this->missedCall(self::WEN)->assertStatus(503)->assertHeader('Retry-After');

        $delivery = Delivery::query()->sole();
        self::assertSame('intake.secret_lost', $delivery->reason['code'] ?? null);
        self::assertStringContainsString('OQ-', $delivery->body);
        $this->actingAs($this->staff(Role::Administrator))->post('/sources/phone/secret')->assertSessionHas('secret');
        self::assertNotSame('', Crypt::decryptString((string) DB::table('sources')->where('key', 'phone')->value('secret')));
        $this->post("/sources/phone/deliveries/$delivery->id/replay")->assertRedirect();
        self::assertSame(DeliveryState::Taken, $delivery->refresh()->state);
    }

    public function testWithoutTheSecretDeliveriesAreCountedAndAFewKept(): void
    {
        $statuses = [];
        for ($i = 0; $i < 200; $i++) {
            // Another secret guessed each time, in the address: the limit is by address and source all the same.
            $statuses[] = $this->call('POST', "/in/phone/guess$i", content: str_repeat('x', 200_000))->getStatusCode();
        }

        self::assertSame([401 => 60, 429 => 140], array_count_values($statuses));
        self::assertSame([20, 60], [Delivery::query()->count(), Source::query()->where('key', 'phone')->sole()->unproven]);
        self::assertLessThan(100_000, (int) Delivery::query()->sum('bytes'));
        // Whoever has it is heard all the same.
        $this->missedCall(self::WEN)->assertOk();
        $this->actingAs($this->staff(Role::Administrator))
            ->get('/sources/phone')
            ->assertSee('60 more came without its secret')
            ->assertSee('kept for 90 days');
        $this->post('/sources/phone/replays', ['which' => 'refused']);
        $this->takeIn();
        self::assertSame(20, Delivery::query()->where('state', DeliveryState::Refused)->whereNull('replayed_at')->count());
    }

    public function testTheOldestGoWhereTheyAreMoreOrOlderThanIsKept(): void
    {
        $phone = Source::query()->where('key', 'phone')->sole();
        foreach (['2025-11-01 10:00', '2026-02-01 10:00', '2026-03-02 10:00'] as $when) {
            $this->travelToMoment($when);
            $this->missedCall(self::WEN)->assertOk();
        }
        self::assertSame(1, resolve(Pruning::class)->prune($phone));
        self::assertSame(2, Delivery::query()->count());
        Delivery::query()->update(['bytes' => 900_000]);
        $this->actingAs($this->staff(Role::Administrator))
            ->put('/sources/phone', ['name' => 'Phone', 'proof' => 'secret', 'keep_days' => '30', 'keep_megabytes' => '1'])
            ->assertSessionHasNoErrors();

        self::assertSame(1, resolve(Pruning::class)->prune($phone->refresh()));
        self::assertSame('2026-03-02', Delivery::query()->sole()->at->format('Y-m-d'));
        // What they wrote stays.
        self::assertSame(3, Record::query()->count());
    }
}
