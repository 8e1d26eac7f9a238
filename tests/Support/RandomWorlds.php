<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Time\WeeklyHours;

/** Worlds made by chance from a seed: a few of the boathouse's rules, a few people, and a fortnight of things that happen. */
final class RandomWorlds
{
    private const ZONES = [null, 'Europe/London', null, null, 'Australia/Sydney', 'Europe/Paris', null, null];

    /** What the boathouse has no rule for. */
    private const OTHERS = [
        [
            'key' => 'somebody-quiet',
            'trigger' => [
                'on' => 'gone_quiet', 'type' => 'person', 'while' => ['tag' => 'member'], 'for' => ['amount' => 4, 'unit' => 'days'],
            ],
            'again' => ['policy' => 'every_time'],
            'steps' => [
                [
                    'id' => 'q', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'fixed', 'key' => 'front-desk'],
                    'wordings' => [['id' => 'q', 'text' => 'Are you well, {{ first_name }}?']],
                ],
            ],
        ],
        [
            'key' => 'moved-town',
            'trigger' => ['on' => 'record_changed', 'type' => 'person', 'field' => 'town', 'to' => 'Osier'],
            'again' => ['policy' => 'every_time'],
            'steps' => [
                [
                    'id' => 'm', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'last_used'],
                    'wordings' => [['id' => 'm', 'text' => 'Welcome to Osier.']],
                ],
            ],
        ],
        [
            'key' => 'same-words',
            'trigger' => ['on' => 'record_changed', 'type' => 'person', 'field' => 'town'],
            'again' => ['policy' => 'every_time'],
            'steps' => [
                [
                    'id' => 's', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'fixed', 'key' => 'front-desk'],
                    'wordings' => [['id' => 's', 'text' => 'Welcome to Osier.']],
                ],
            ],
        ],
        [
            'key' => 'later-word',
            'trigger' => ['on' => 'text_received', 'words' => ['later'], 'match' => 'first'],
            'again' => ['policy' => 'every_time'],
            'steps' => [
                ['id' => 'c', 'do' => 'change', 'set' => ['booking.state' => 'cancelled'], 'record' => 'next'],
                ['id' => 'n', 'do' => 'change', 'set' => ['basket.state' => 'left'], 'record' => 'newest'],
                [
                    'id' => 'l',
                    'do' => 'branch',
                    'cases' => [
                        [
                            'if' => ['field' => 'first_name', 'test' => 'is', 'value' => 'Bo'],
                            'steps' => [['id' => 'b', 'do' => 'change', 'add' => ['tag' => ['member']]]],
                        ],
                    ],
                    'otherwise' => [
                        [
                            'id' => 't', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'last_used'],
                            'wordings' => [['id' => 't', 'text' => 'It is put off.']],
                        ],
                    ],
                ],
            ],
        ],
        [
            'key' => 'yearly',
            'trigger' => [
                'on' => 'date_reached', 'type' => 'person', 'field' => 'member_since',
                'offset' => ['amount' => 3, 'unit' => 'days', 'side' => 'before', 'time' => '09:00', 'clock' => 'theirs'],
                'each_year' => true,
            ],
            'again' => ['policy' => 'once_per_occasion'],
            'steps' => [
                [
                    'id' => 'y', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'fixed', 'key' => 'front-desk'],
                    'if_late' => ['only_with' => ['amount' => 1, 'unit' => 'days']],
                    'wordings' => [['id' => 'y', 'text' => 'Another year, {{ first_name }}.']],
                ],
            ],
        ],
    ];

    /** @return array{Worlds, list<Rule>} */
    public static function of(int $seed): array
    {
        mt_srand($seed);
        $files = glob(dirname(__DIR__, 2).'/demo/rules/*.json') ?: [];
        $rules = [];
        foreach ((array) array_rand($files, 14 + $seed % 8) as $i) {
            $rules[] = Rule::fromJson((string) file_get_contents($files[$i]));
        }
        foreach (self::OTHERS as $document) {
            if (self::chance(50)) {
                $rules[] = Rule::read(
                    Doc::of(
                        $document + [
                            'linnet_rule' => 1, 'name' => $document['key'], 'conditions' => ['all' => []],
                            'stop_early' => ['reply' => false],
                        ],
                    ),
                );
            }
        }
        $worlds = Worlds::boathouse('2026-03-23T08:00:00Z', '2026-04-20T00:00:00Z')
            ->with('pools', [
                'water-level' => [
                    ['id' => 'low', 'text' => 'The water is low.'],
                    ['id' => 'fine', 'text' => 'The water is fine.', 'most' => 3],
                ],
            ])
            ->with('codes', ['welcome' => ['AB12', 'CD34', 'EF56']])
            ->business('install', "world-$seed")
            ->business('holidays', ['2026-04-03', '2026-04-06']);
        if ($seed % 3 === 0) {
            $worlds->pace(['per_minute' => 1, 'per_day' => 6])->policy(['cap' => ['per_day' => 2, 'gap_minutes' => 30]]);
        }
        if ($seed % 4 === 1) {
            $worlds->policy(['month_micros' => 900_000]);
        }
        if ($seed % 5 === 2) {
            $worlds->line('workshop', ['countries' => ['GB'], 'hours' => WeeklyHours::daily('10:00', '16:00')->toDocument()]);
        }
        $people = 3 + $seed % 5;
        for ($i = 0; $i < $people; $i++) {
            // Numbers of its own for each world: the carrier remembers what it carried.
            $worlds->person(
                "p$i",
                $i === 2
                    ? '+141655501'.(10 + ($seed % 60))
                    : ($i === 3
                        ? '+121355501'.(10 + ($seed % 60))
                        : '+447700900'.(300 + ($seed % 60) * 10 + $i)),
                array_filter([
                    'zone' => self::ZONES[$i], 'line' => $i % 3 === 2 ? 'workshop' : null,
                    'first_name' => self::one(['Ana', 'Bo', 'Cleo', 'Dan']), 'consent' => self::chance(60) ? ['marketing'] : null,
                    'lists' => self::chance(50) ? ['newsletter'] : null, 'tags' => self::chance(30) ? ['member'] : null,
                    'fields' => ['member_since' => self::one(['2020-03-28', '2024-02-29', '2021-04-02'])],
                ]),
            );
        }
        for ($i = 0; $i < 12; $i++) {
            [$type, $values] = self::something($i);
            $worlds->record("r$i", $type, 'p'.mt_rand(0, $people - 1), $values);
        }
        $at = strtotime('2026-03-23T09:00:00Z');
        for ($i = 0; $i < 60; $i++) {
            $at += mt_rand(600, 55_000);
            self::event($worlds, gmdate('Y-m-d\TH:i:s\Z', $at), 'p'.mt_rand(0, $people - 1), $i, $rules);
        }

        return [$worlds, $rules];
    }

    /** @param  list<Rule>  $rules */
    private static function event(Worlds $worlds, string $at, string $person, int $i, array $rules): void
    {
        $rule = $rules[mt_rand(0, count($rules) - 1)]->key ?? '';
        switch (mt_rand(0, 15)) {
            case 0: case 1: case 2:
                [$type, $values] = self::something($i);
                $worlds->happens($at, "e$i", $type, $person, $values);
                break;
            case 3: case 4: case 5:
                $document = $worlds->document();
                $known = [
                    ...$document['records'],
                    ...array_filter($document['events'], fn (array $event): bool => $event['what'] === 'record'),
                ];
                $record = $known[array_rand($known)];
                $worlds->happens($at, $record['id'], $record['type'], null, self::changed($record['type']));
                break;
            case 6:
            case 7:
            case 8:
                $worlds->text(
                    $at,
                    $person,
                    self::one([
                        'yes', 'Y', 'cancel', 'STOP', 'START', 'Kayka tomorrow?', 'what is the water level', 'thank you',
                        'please stop texting me', 'kayak', 'later next month', 'hm',
                    ]),
                    self::one(['front-desk', 'front-desk', 'workshop']),
                );
                break;
            case 9:
                $worlds->event($at, 'label', [
                    'person' => $person,
                    ...self::one([['list' => 'newsletter'], ['tag' => 'member']]),
                    'change' => self::one(['added', 'removed']),
                ]);
                break;
            case 10:
                $worlds->event($at, 'form', ['person' => $person, 'form' => 'hire']);
                break;
            case 11:
                $worlds->event($at, 'fate', [
                    'person' => $person,
                    'fate' => self::one(['failed', 'undeliverable', 'link_opened']),
                    'of_rule' => 'basket-left',
                ]);
                break;
            case 12:
                $worlds->event($at, self::one(['start', 'release']), []);
                break;
            case 13:
            case 14:
                $worlds->event($at, 'person', [
                    'person' => $person,
                    'values' => self::one([
                        ['town' => 'Osier'],
                        ['town' => 'Acle'],
                        ['member_since' => gmdate('Y-m-d', strtotime('2020-03-23') + mt_rand(0, 20) * 86_400)],
                    ]),
                ]);
                break;
            default:
                $worlds->event($at, 'rule', ['rule' => $rule, 'power' => self::one(['paused', 'on', 'on'])]);
        }
        $document = $worlds->document();
        $last = array_key_last($document['events']);
        if ($document['events'][$last]['what'] === 'start') {
            $document['events'][$last] += ['person' => $person, 'rule' => $rule];
        } elseif ($document['events'][$last]['what'] === 'release') {
            $document['events'][$last] += ['rule' => $rule];
        }
        $worlds->with('events', $document['events']);
    }

    /** @return array{string, array<string, mixed>} */
    private static function something(int $i): array
    {
        $day = fn (int $from, int $to): string => gmdate('Y-m-d', strtotime('2026-03-23') + mt_rand($from, $to) * 86_400);

        return self::one([
            fn (): array => [
                'booking',
                [
                    'lesson' => 'beginners’ lesson', 'state' => 'booked', 'starts_at' => $day(0, 12).'T'.self::one(['09', '14']).':00:00Z',
                    'ends_at' => $day(0, 14).'T16:00:00Z', 'instructor' => mt_rand(1, 2), 'price' => 45,
                ],
            ],
            fn (): array => [
                'basket',
                [
                    'what' => 'Tow line', 'state' => 'open', 'pieces' => mt_rand(0, 2), 'value' => 31.5,
                    'url' => "https://shop.osierquay.example/b/$i",
                ],
            ],
            fn (): array => [
                'deal',
                [
                    'title' => "Away day $i", 'stage' => self::one(['asked', 'offered']), 'value' => mt_rand(500, 2000),
                    'day' => $day(10, 40), 'owner' => mt_rand(1, 2),
                ],
            ],
            fn (): array => [
                'invoice',
                [
                    'number' => "I-$i", 'state' => 'sent', 'amount' => 120, 'due' => $day(-5, 12),
                    'link' => "https://pay.osierquay.example/$i",
                ],
            ],
            fn (): array => ['job', ['boat' => 'kayak', 'stage' => self::one(['looked at', 'ready']), 'cost' => 60]],
            fn (): array => ['service_plan', ['boat' => 'skiff', 'state' => 'runs', 'next_check' => $day(10, 30), 'rack' => 'B4']],
            fn (): array => [
                'call',
                ['outcome' => 'missed', 'line' => self::one(['+447700900100', '+447700900101']), 'started_at' => '2026-03-24T10:00:00Z'],
            ],
            fn (): array => ['order', ['what' => 'Paddle', 'state' => 'packed', 'value' => 62, 'paid_at' => $day(0, 10).'T10:00:00Z']],
        ])();
    }

    /** @return array<string, mixed> */
    private static function changed(string $type): array
    {
        $day = fn (): string => gmdate('Y-m-d', strtotime('2026-03-23') + mt_rand(0, 20) * 86_400);

        return match ($type) {
            'booking' => self::one([
                ['state' => 'cancelled'], ['state' => 'came'], ['state' => 'did not come'], ['starts_at' => $day().'T11:00:00Z'],
                ['starts_at' => $day().'T15:00:00Z'],
            ]),
            'basket' => self::one([['state' => 'paid'], ['pieces' => mt_rand(0, 4)], ['state' => 'left']]),
            'deal' => self::one([['stage' => 'offered'], ['stage' => 'agreed'], ['stage' => 'lost'], ['value' => mt_rand(500, 2000)]]),
            'invoice' => self::one([['state' => 'paid'], ['due' => $day()]]),
            'job' => self::one([['stage' => 'ready'], ['stage' => 'collected']]),
            'service_plan' => self::one([['next_check' => $day()], ['state' => 'ended']]),
            'order' => ['state' => 'sent'],
            default => ['outcome' => 'answered'],
        };
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private static function one(array $of): mixed
    {
        return $of[mt_rand(0, count($of) - 1)];
    }

    private static function chance(int $percent): bool
    {
        return mt_rand(1, 100) <= $percent;
    }
}
