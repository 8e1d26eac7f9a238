<?php

declare(strict_types=1);

namespace Demo;

/** What stood in the boathouse's old card index: deals, jobs, invoices and lessons gone by. The same every time. */
final class Records
{
    private const FIRMS = [
        'Harbour Mutual', 'Tidewell Dental', 'Brightwater School', 'Kestrel Couriers', 'Oak & Anchor', 'Lockside Architects',
        'Fenland Print', 'Millrace Brewing', 'Penny Lane Nursery', 'Quayside Clinic', 'Ridgeway Labs', 'Sandbar Studios',
    ];

    private const FAULTS = [
        'Cracked skeg, weeps under load', 'Seat rail bent', 'Hull rubbed through at the keel', 'Hatch lets water in', 'Rudder cable gone',
        'Foot rest slips',
    ];

    private const BOATS = ['Sea kayak', 'Single scull', 'Canoe', 'Double scull', 'Surf ski', 'Polo kayak'];

    /** @return array<string, list<array{id: string, number: string, fields: array<string, scalar>}>> by type */
    public static function all(): array
    {
        $people = array_values(
            array_filter(People::named(), fn (array $person): bool => $person['handset'] === 'mobile' && isset($person['first_name'])),
        );
        $pick = fn (string $what, int $i, int $of): int => crc32("$what $i") % $of;
        $day = fn (int $days): string => (new \DateTimeImmutable('2026-03-02'))->modify(sprintf('%+d days', $days))->format('Y-m-d');
        $records = [];
        for ($i = 0; $i < 46; $i++) {
            $stage = ['asked', 'asked', 'talked', 'offered', 'offered', 'agreed', 'lost'][$pick('stage', $i, 7)];
            $records['deal'][] = [
                'id' => sprintf('D%03d', $i + 1),
                'number' => $people[$pick('deal', $i, count($people))]['number'],
                'fields' => [
                    'title' => self::FIRMS[$i % 12].
                        ', '.
                        ['summer day', 'away day', 'regatta morning', 'paddle and picnic'][intdiv($i, 12) % 4],
                    'stage' => $stage,
                    'value' => 240 + 35 * $pick('value', $i, 60),
                    'people' => 6 + $pick('people', $i, 30),
                    'day' => $day(20 + $pick('day', $i, 140)),
                    'owner' => ['Tom Reyes', 'Mira Okafor'][$pick('owner', $i, 2)],
                ] + ($stage === 'asked' ? [] : ['offered_on' => $day(-$pick('offered', $i, 30))]),
            ];
        }
        for ($i = 0; $i < 28; $i++) {
            $records['job'][] = [
                'id' => sprintf('J%03d', $i + 1),
                'number' => $people[$pick('job', $i, count($people))]['number'],
                'fields' => [
                    'boat' => self::BOATS[$pick('boat', $i, 6)].' '.chr(65 + ($i % 26)),
                    'stage' => ['brought in', 'looked at', 'being mended', 'being mended', 'ready', 'collected'][$pick('jobstage', $i, 6)],
                    'fault' => self::FAULTS[$pick('fault', $i, 6)], 'promised' => $day($pick('promised', $i, 24) - 6),
                    'cost' => 18.5 * (1 + $pick('cost', $i, 12)), 'mender' => 'Tom Reyes', 'may_we_call' => $pick('call', $i, 3) > 0,
                ],
            ];
        }
        for ($i = 0; $i < 40; $i++) {
            $due = $pick('due', $i, 60) - 35;
            $state = $due < 0 ? ['paid', 'paid', 'reminded', 'sent'][$pick('invoice', $i, 4)] : 'sent';
            $records['invoice'][] = [
                'id' => sprintf('R2026-%04d', $i + 1),
                'number' => $people[$pick('payer', $i, count($people))]['number'],
                'fields' => [
                    'number' => sprintf('2026-%04d', $i + 1), 'state' => $state, 'amount' => 22.5 * (1 + $pick('amount', $i, 30)),
                    'due' => $day($due), 'link' => sprintf('https://pay.osierquay.example/r/%04d', $i + 1),
                ] + ($state === 'paid' ? ['paid_on' => $day($due - $pick('paidon', $i, 9))] : []),
            ];
        }
        for ($i = 0; $i < 52; $i++) {
            $from = new \DateTimeImmutable(
                $day(-1 - $pick('when', $i, 60)).' '.[10, 14][$i % 2].':00',
                new \DateTimeZone('Europe/London'),
            );
            $records['booking'][] = [
                'id' => sprintf('OLD%03d', $i + 1),
                'number' => $people[$pick('guest', $i, count($people))]['number'],
                'fields' => [
                    'lesson' => ['Beginners’ kayak lesson', 'Sculling taster', 'Moonlight paddle', 'Sea kayak, day course'][
                        $pick('lesson', $i, 4)
                    ],
                    'state' => ['came', 'came', 'came', 'did not come', 'cancelled'][$pick('came', $i, 5)],
                    'starts_at' => $from->format(DATE_ATOM),
                    'ends_at' => $from->modify('+2 hours')->format(DATE_ATOM),
                    'instructor' => ['Tom Reyes', 'Nia Sorrell'][$pick('with', $i, 2)],
                    'places' => 1 + $pick('places', $i, 4),
                    'price' => 38 + 7 * $pick('price', $i, 9),
                ] + ($pick('places', $i, 4) === 3 ? ['host' => $people[$pick('host', $i, count($people))]['number']] : []),
            ];
        }

        return $records;
    }
}
