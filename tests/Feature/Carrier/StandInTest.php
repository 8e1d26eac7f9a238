<?php

declare(strict_types=1);

namespace Tests\Feature\Carrier;

use App\Engine\Outbox;
use App\Models\Line;
use App\Models\Message;
use App\Models\Number;
use App\Models\Person;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use Tests\Feature\TownTestCase;

/** The stand-in carrier keeps to what a carrier promises: a test that leans on it must be able to. */
final class StandInTest extends TownTestCase
{
    public function testTheSameKeyIsTakenOnceHoweverManyOfferItAtOnce(): void
    {
        $answers = Http::pool(
            fn ($pool): array => array_map(
                fn (int $i) => $pool
                    ->withToken('town')
                    ->withHeaders(['Idempotency-Key' => 'k'.$i % 3])
                    ->post($this->town->standins->at('/carrier/texts'), [
                        'from' => '+447700900100',
                        'to' => '+44770090030'.$i % 3,
                        'text' => 'Hello',
                    ]),
                range(0, 11),
            ),
        );
        $refs = array_map(fn (mixed $answer): mixed => $answer instanceof Response ? $answer->json('ref') : null, $answers);

        self::assertCount(3, array_unique($refs));
        self::assertSame([4, 4, 4], array_column($this->town->standins->ledger(), 'offered'));
    }

    public function testRefusesWhatCannotArriveAndFiltersRepeats(): void
    {
        $offer = fn (string $key, string $to, string $text): Response => $this->carrier($key)->post('/carrier/texts', [
            'from' => '+447700900100',
            'to' => $to,
            'text' => $text,
        ]);

        self::assertSame(
            [422, 'a landline takes no texts'],
            [$offer('a', '+442079460018', 'Hello')->status(), $offer('a', '+442079460018', 'Hello')->json('problem')],
        );
        self::assertSame('not a number', $offer('b', 'OsierQuay', 'Hello')->json('problem'));
        self::assertSame(202, $offer('c', '+447700900301', 'Hello')->status());
        self::assertSame('filtered: the same text twice', $offer('d', '+447700900301', 'Hello')->json('problem'));
        self::assertSame(202, $offer('e', '+447700900301', 'Hello again')->status());
        self::assertSame(400, Http::withToken('town')->post($this->town->standins->at('/carrier/texts'))->status());
        self::assertSame(401, Http::withToken('other')->post($this->town->standins->at('/carrier/texts'))->status());
    }

    public function testRemembersWhatWasBroughtBeforeItWasThere(): void
    {
        $text = [
            'ref' => 'C1', 'key' => 'old:1', 'from' => '+447700900100', 'to' => '+447700900301', 'text' => 'From last winter',
            'fate' => 'arrived', 'at' => '2026-01-10 10:00:00',
        ];

        self::assertSame(
            401,
            Http::withToken('other')
                ->post($this->town->standins->at('/carrier/remembered'), ['texts' => [$text]])
                ->status(),
        );
        self::assertSame(
            1,
            $this->carrier('x')
                ->post('/carrier/remembered', ['texts' => [$text]])
                ->json('remembered'),
        );
        // The same key offered now is the one from then.
        self::assertSame(
            'C1',
            $this->carrier('old:1')
                ->post('/carrier/texts', ['from' => '+447700900100', 'to' => '+447700900301', 'text' => 'From last winter'])
                ->json('ref'),
        );
        self::assertStringContainsString(
            'From last winter',
            (string) file_get_contents($this->town->standins->at('/handsets/+447700900301')),
        );
    }

    public function testANameAndAPictureAreSeenOnTheHandset(): void
    {
        $line = Line::query()->create(['key' => 'name', 'name' => 'OsierQuay', 'power' => 'on']);
        $person = Person::query()->create(['first_name' => 'Ana', 'fields' => [], 'added_at' => now()]);
        Message::query()->create([
            'name' => 'a', 'key' => 'a-key', 'origin' => 'rule', 'state' => 'ready', 'person_id' => $person->id, 'line_id' => $line->id,
            'kind' => 'service', 'number' => '+447700900398', 'body' => 'The quay this morning',
            'picture' => 'https://osierquay.example/quay.jpg', 'wanted_at' => '2026-03-02 10:00:00', 'left_at' => '2026-03-02 10:00:00',
            'at' => '2026-03-02 10:00:00',
        ]);
        Number::query()->create([
            'person_id' => $person->id, 'e164' => '+447700900398', 'country' => 'GB', 'kind' => 'mobile', 'zones' => ['Europe/London'],
        ]);
        resolve(Outbox::class)->deliver();

        $handset = (string) file_get_contents($this->town->standins->at('/handsets/+447700900398'));
        self::assertStringContainsString(', OsierQuay', $handset);
        self::assertStringContainsString('alt="A picture"', $handset);
        self::assertSame(
            422,
            $this->carrier('n')
                ->post('/carrier/texts', ['from' => 'Osier Quay House', 'to' => '+447700900302', 'text' => 'Hello'])
                ->status(),
        );
    }

    private function carrier(string $key): PendingRequest
    {
        return Http::baseUrl($this->town->standins->at(''))->withToken('town')->withHeaders(['Idempotency-Key' => $key]);
    }
}
