<?php

declare(strict_types=1);

namespace Demo\Season;

/**
 * What becomes of each record of a season: a list of moments, each with what is then said of the record. The moments are seconds
 * from the season's first midnight, by the clock of the business.
 *
 * @phpstan-type Life list<array{int, array<string, scalar>}>
 */
final class Lives
{
    private const DAY = 86_400;

    /** How many of each there are among 400 people. */
    public const MANY = [
        'call' => 330, 'booking' => 520, 'basket' => 170, 'order' => 110, 'deal' => 44, 'invoice' => 150, 'job' => 96, 'service_plan' => 70,
    ];

    private const LESSONS = ['Beginners’ kayak lesson', 'Sculling taster', 'Moonlight paddle', 'Sea kayak, day course', 'Canoe for two'];

    private const CREW = ['Tom Reyes', 'Nia Sorrell'];

    private const WARES = [
        'Touring paddle', 'Neoprene gloves, M', 'Dry bag, 20 litres', 'Buoyancy aid, L', 'Spray deck', 'Rowing socks', 'Bailer and sponge',
    ];

    private const BOATS = ['Sea kayak', 'Single scull', 'Canoe', 'Double scull', 'Surf ski', 'Polo kayak'];

    private const FAULTS = [
        'Cracked skeg, weeps under load', 'Seat rail bent', 'Hull rubbed through at the keel', 'Hatch lets water in', 'Rudder cable gone',
        'Foot rest slips',
    ];

    private const FIRMS = [
        'Harbour Mutual', 'Tidewell Dental', 'Brightwater School', 'Kestrel Couriers', 'Oak & Anchor', 'Lockside Architects',
        'Fenland Print', 'Millrace Brewing',
    ];

    public function __construct(private readonly Calendar $calendar)
    {
    }

    /** @return Life oldest first */
    public function of(string $type, int $i): array
    {
        return match ($type) {
            'call' => $this->call($i), 'booking' => $this->booking($i), 'basket' => $this->basket($i), 'order' => $this->order($i),
            'deal' => $this->deal($i), 'invoice' => $this->invoice($i), 'job' => $this->job($i), default => $this->plan($i),
        };
    }

    /** @return Life */
    private function call(int $i): array
    {
        $at = $this->begin('call', $i, 8, 20);

        return [
            [
                $at,
                [
                    'outcome' => Chance::percent(62, 'missed', $i) ? 'missed' : 'answered',
                    'line' => Chance::percent(75, 'line', $i) ? '+447700900100' : '+447700900101',
                    'started_at' => $this->calendar->written($at), 'rang_for' => 4000 + Chance::below(26_000, 'rang', $i),
                ],
            ],
        ];
    }

    /** @return Life */
    private function booking(int $i): array
    {
        $at = $this->begin('booking', $i, 9, 21);
        $from = (intdiv($at, self::DAY) + 1 + Chance::below(16, 'ahead', $i)) * self::DAY + Chance::of([10, 13, 15], 'hour', $i) * 3600;
        $booked = [
            'lesson' => Chance::of(self::LESSONS, 'lesson', $i), 'state' => 'booked', 'starts_at' => $this->calendar->written($from),
            'ends_at' => $this->calendar->written($from + 7200), 'instructor' => Chance::of(self::CREW, 'with', $i),
            'places' => 1 + Chance::below(4, 'places', $i), 'price' => 38 + 7 * Chance::below(9, 'price', $i),
        ];
        $life = [[$at, $booked]];
        if (Chance::percent(11, 'moves', $i)) {
            $from += self::DAY * (1 + Chance::below(5, 'by', $i));
            $life[] = [
                $at + 3600 * (1 + Chance::below(20, 'moved', $i)),
                ['starts_at' => $this->calendar->written($from), 'ends_at' => $this->calendar->written($from + 7200)],
            ];
        }
        if (Chance::percent(7, 'off', $i)) {
            return [...$life, [min($from - 7200, $at + self::DAY), ['state' => 'cancelled']]];
        }

        return [...$life, [$from + 9000, ['state' => Chance::percent(92, 'came', $i) ? 'came' : 'did not come']]];
    }

    /** @return Life */
    private function basket(int $i): array
    {
        $at = $this->begin('basket', $i, 8, 22);
        [$ware, $more] = [Chance::of(self::WARES, 'ware', $i), Chance::of(self::WARES, 'more', $i)];
        $life = [
            [
                $at,
                [
                    'what' => $ware, 'state' => 'open', 'pieces' => 1, 'value' => ($value = 14.5 * (1 + Chance::below(9, 'value', $i))),
                    'url' => "https://shop.osierquay.example/b/$i", 'touched_at' => $this->calendar->written($at),
                ],
            ],
        ];
        if ($more !== $ware) {
            $life[] = [
                $at + 900,
                ['what' => "$ware, $more", 'pieces' => 2, 'value' => $value + 19.5, 'touched_at' => $this->calendar->written($at + 900)],
            ];
        }

        return match (true) {
            Chance::percent(45, 'paid', $i) => [
                ...$life,
                [$at + 2100, ['state' => 'paid', 'touched_at' => $this->calendar->written($at + 2100)]],
            ],
            Chance::percent(35, 'later', $i) => [...$life, [$at + 3600 * (3 + Chance::below(30, 'hours', $i)), ['state' => 'paid']]],
            default => $life,
        };
    }

    /** @return Life */
    private function order(int $i): array
    {
        $at = $this->begin('order', $i, 8, 22);
        $packed = (intdiv($at, self::DAY) + 1) * self::DAY + 3600 * 10;

        return [
            [
                $at,
                [
                    'what' => Chance::of(self::WARES, 'order', $i), 'state' => 'paid',
                    'value' => 14.5 * (1 + Chance::below(9, 'worth', $i)), 'paid_at' => $this->calendar->written($at),
                ],
            ],
            [$packed, ['state' => 'packed']],
            [$packed + 3600 * 5, ['state' => 'sent']],
            ...Chance::percent(6, 'back', $i) ? [[$packed + self::DAY * 6, ['state' => 'brought back']]] : [],
        ];
    }

    /** @return Life */
    private function deal(int $i): array
    {
        $at = $this->begin('deal', $i, 9, 17);
        $life = [
            [
                $at,
                [
                    'title' => Chance::of(self::FIRMS, 'firm', $i).
                        ', '.
                        Chance::of(['winter social', 'spring row', 'kayak morning'], 'what', $i),
                    'stage' => 'asked',
                    'value' => 260 + 35 * Chance::below(60, 'deal', $i),
                    'people' => 6 + Chance::below(30, 'heads', $i),
                    'day' => $this->calendar->date($at + self::DAY * (40 + Chance::below(90, 'day', $i))),
                    'owner' => Chance::of(['Tom Reyes', 'Mira Okafor'], 'owner', $i),
                ],
            ],
        ];
        $days = 1;
        foreach (['talked' => 90, 'offered' => 85, 'agreed' => 50] as $stage => $percent) {
            $days += 2 + Chance::below(7, $stage, $i);
            if (! Chance::percent($percent, $stage, $i)) {
                return $stage === 'agreed' && Chance::percent(60, 'no', $i)
                    ? [...$life, [$at + self::DAY * ($days + 8), ['stage' => 'lost']]]
                    : $life;
            }
            $life[] = [
                $at + self::DAY * $days,
                ['stage' => $stage] + ($stage === 'offered' ? ['offered_on' => $this->calendar->date($at + self::DAY * $days)] : []),
            ];
        }

        return $life;
    }

    /** @return Life */
    private function invoice(int $i): array
    {
        $at = $this->begin('invoice', $i, 9, 17);
        $due = 14 + Chance::below(8, 'due', $i);
        $life = [
            [
                $at,
                [
                    'number' => sprintf('W-%05d', $i + 1), 'state' => 'sent', 'amount' => 22.5 * (1 + Chance::below(30, 'amount', $i)),
                    'due' => $this->calendar->date($at + self::DAY * $due), 'link' => "https://pay.osierquay.example/w/$i",
                ],
            ],
        ];
        if (Chance::percent(88, 'pays', $i)) {
            $paid = $at + self::DAY * (2 + Chance::below($due + 6, 'paid', $i));
            $life[] = [$paid, ['state' => 'paid', 'paid_on' => $this->calendar->date($paid)]];
        }

        return $life;
    }

    /** @return Life */
    private function job(int $i): array
    {
        $at = $this->begin('job', $i, 9, 17);
        $life = [
            [
                $at,
                [
                    'boat' => Chance::of(self::BOATS, 'boat', $i).' '.chr(65 + ($i % 26)), 'stage' => 'brought in',
                    'fault' => Chance::of(self::FAULTS, 'fault', $i), 'promised' => $this->calendar->date($at + self::DAY * 9),
                    'mender' => 'Tom Reyes', 'may_we_call' => Chance::percent(70, 'call', $i) ? 'yes' : 'no',
                ],
            ],
        ];
        $days = 0;
        foreach (['looked at' => 2, 'being mended' => 3, 'ready' => 7, 'collected' => 8] as $stage => $most) {
            $days += 1 + Chance::below($most, $stage, $i);
            $life[] = [
                $at + self::DAY * $days,
                ['stage' => $stage] + ($stage === 'looked at' ? ['cost' => 18.5 * (1 + Chance::below(12, 'cost', $i))] : []),
            ];
        }

        return $life;
    }

    /** @return Life */
    private function plan(int $i): array
    {
        $at = $this->begin('plan', $i, 9, 17);

        return [
            [
                $at,
                [
                    'boat' => Chance::of(self::BOATS, 'kept', $i).' '.sprintf('%02d', $i % 100), 'state' => 'runs',
                    'next_check' => $this->calendar->date($at + self::DAY * (15 + Chance::below(200, 'check', $i))),
                    'rack' => chr(65 + ($i % 6)).(1 + (intdiv($i, 6) % 30)), 'fee' => 90 + 15 * Chance::below(6, 'fee', $i),
                ],
            ],
        ];
    }

    /** A moment on one of the season's days between two hours, on a quarter: what happens together is lived through together. */
    private function begin(string $type, int $i, int $from, int $until): int
    {
        $day = Chance::below($this->calendar->days, $type, 'day', $i);

        return $day * self::DAY + $from * 3600 + 900 * Chance::below(($until - $from) * 4, $type, 'time', $i);
    }
}
