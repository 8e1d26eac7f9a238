<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Record;
use App\Models\Role;
use App\Sentences\Sentence;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Tests\Feature\TestCase;

/** DELIVERIES=10000 says how many are sent. */
final class HostileDeliveriesTest extends TestCase
{
    private const SENT = 400;

    /** @var list<string> no transaction around the whole test: thousands of deliveries inside one take ten times as long */
    protected array $connectionsToTransact = [];

    protected function setUp(): void
    {
        RefreshDatabaseState::$migrated = false;
        parent::setUp();
    }

    protected function tearDown(): void
    {
        RefreshDatabaseState::$migrated = false;
        RefreshDatabaseState::$inMemoryConnections = [];
        parent::tearDown();
    }

    public function testNothingThatIsSentBreaksAnythingAndNothingIsLost(): void
    {
        config(['linnet.deliveries.most_per_minute' => 1_000_000]);
        mt_srand(13);
        $statuses = $codes = [];
        $many = (int) getenv('DELIVERIES') ?: self::SENT;
        for ($i = 0; $i < $many; $i++) {
            [$source, $secret] = [['phone', DatabaseSeeder::PHONE_SECRET], ['bookings', DatabaseSeeder::BOOKINGS_SECRET]][$i % 2];
            $headers = $this->hostileHeaders($source);
            $status = $this->call(
                'POST', "/in/$source", server: ['HTTP_AUTHORIZATION' => "Bearer $secret"] + $headers, content: $this->hostile($source),
            )->getStatusCode();
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
        }

        self::assertSame([], array_diff(array_keys($statuses), [200, 413, 415, 422]), (string) json_encode($statuses));
        self::assertSame($many, Delivery::query()->count());
        foreach (Delivery::query()->where('state', '!=', DeliveryState::Taken)->lazyById(500) as $delivery) {
            $said = $delivery->reason === null ? '' : Sentence::of($delivery->reason);
            self::assertMatchesRegularExpression('/^[\p{Lu}“].{8,}[.?]$/su', $said);
            $codes[(string) ($delivery->reason['code'] ?? '')] = true;
        }
        self::assertGreaterThan(17, count($codes), implode(' ', array_keys($codes)));
        self::assertGreaterThan(intdiv($many, 20), Record::query()->count());
        // What was refused can be looked at and taken again without harm.
        $this->actingAs($this->staff(Role::Administrator));
        foreach (
            Delivery::query()->where('state', DeliveryState::Refused)->orderByRaw('id * 7919 % 1000')
                ->limit(60)->with('source')->get() as $delivery
        ) {
            $this->get("/sources/{$delivery->source->key}/deliveries/$delivery->id")->assertOk();
            $this->post("/sources/{$delivery->source->key}/deliveries/$delivery->id/replay")->assertRedirect();
        }
    }

    /** @return array<string, string> */
    private function hostileHeaders(string $source): array
    {
        $types = [
            'application/json', 'application/json', 'application/json', '', 'application/json; charset=ISO-8859-1',
            'application/json; charset=nonsense', 'application/x-www-form-urlencoded', 'text/xml', 'application/cloudevents+json',
            'application/cloudevents-batch+json', str_repeat('a/', 500),
        ];
        $event =
            $source !== 'bookings' || mt_rand(0, 5) === 0
                ? []
                : [
                    'HTTP_CE_SPECVERSION' => '1.0',
                    'HTTP_CE_TYPE' => [
                        'quay.lesson.booked', 'quay.lesson.moved', 'quay.lesson.cancelled', 'quay.closed', '%E2%82%AC<script>', "\xC3\x28",
                    ][mt_rand(0, 5)],
                    'HTTP_CE_SOURCE' => '/b',
                    'HTTP_CE_ID' => 'e'.mt_rand(0, 4000),
                    'HTTP_CE_SUBJECT' => mt_rand(0, 9) > 0 ? 'L'.mt_rand(0, 900) : '',
                    'HTTP_CE_TIME' => mt_rand(0, 3) > 0 ? '2026-03-02T10:00:00Z' : 'noon',
                ];

        return ['CONTENT_TYPE' => $types[mt_rand(0, count($types) - 1)]] + $event;
    }

    private function hostile(string $source): string
    {
        $values = [
            null,
            true,
            0,
            -1,
            1e308,
            '',
            ' ',
            [],
            ['a' => ['b' => []]],
            [[[]]],
            str_repeat('x', 3000),
            "\u{0}",
            "'; drop table people; --",
            '<script>',
            '{{ first_name }}',
            '=cmd()',
            '+447700900301',
            'WITHHELD',
            1772445580000,
            '🛶',
            "\u{202E}abc",
            '00',
            '9999999999999999999999',
            '7.7E+09',
            '31/02/2026',
            '#1',
            '#999999',
        ];
        $pick = fn (): mixed => $values[mt_rand(0, count($values) - 1)];
        $mostly = fn (mixed $well): mixed => mt_rand(0, 4) > 0 ? $well : $pick();
        $body = (string) json_encode(
            $source === 'phone'
                ? [
                    'ref' => $mostly('R'.mt_rand()), 'cli' => $mostly('+447700900'.mt_rand(100, 999)), 'ddi' => $mostly('+447700900100'),
                    't0' => $mostly(1772445580000), 'ring' => $mostly(['ms' => 5]), 'why_unanswered' => $mostly('rang out'),
                ]
                : [
                    'rev' => $mostly(mt_rand(1, 9)), 'what' => $mostly('Sculling taster'), 'with' => $mostly('Tom Reyes'),
                    'price' => $mostly('38.00'),
                    'guest' => $mostly([
                        ['full' => $mostly('Noor Haddad'), 'phone' => $mostly('+447700900343'), 'email' => $mostly('noor@example.org')],
                    ]),
                    'slot' => $mostly(['from' => $mostly('03/14/2026 10:00 AM'), 'to' => $mostly('03/14/2026 12:00 PM')]),
                ],
            JSON_PARTIAL_OUTPUT_ON_ERROR,
        );

        return match (mt_rand(0, 29)) {
            0, 1 => substr($body, 0, mt_rand(0, strlen($body))),
            2 => str_replace('"', "\xC3", $body),
            3 => str_repeat('[', mt_rand(1, 4000)),
            4 => (string) mb_convert_encoding($body, 'UTF-16LE', 'UTF-8'),
            5 => "\xFF\xFE".mb_convert_encoding($body, 'UTF-16LE', 'UTF-8'),
            6 => http_build_query((array) json_decode($body, true)),
            7 => mt_rand(0, 9) === 0 ? str_repeat($body, 2000) : "[$body,$body]",
            8 => substr(hash('sha512', (string) mt_rand(), true), 0, mt_rand(1, 64)),
            9 => '{"__proto__":{"a":1},"a":'.str_repeat('{"a":', 30).'1'.str_repeat('}', 31),
            default => $body,
        };
    }
}
