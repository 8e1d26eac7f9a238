<?php

declare(strict_types=1);

namespace Standins;

use Demo\MovableClock;
use Demo\People;
use Illuminate\Support\Facades\DB;

/**
 * A gear shop run on a program from abroad: German names, decimal commas, times by the clock in Berlin, and "null" in words where it
 * knows nothing. It tells of every change to a basket, with a count that grows, and of each order in cents and unix time.
 *
 * @phpstan-type Line array{sku: string, titel: string, stk: int, preis: float}
 */
final readonly class Shop
{
    public const GOODS = [
        'PAD-210' => ['Touring paddle', 84.5], 'DECK-S' => ['Spray deck', 62.0], 'GLOVE-M' => ['Neoprene gloves', 24.9],
        'BAG-20' => ['Dry bag, 20 l', 18.75], 'PFD-M' => ['Buoyancy aid', 79.0], 'SHOE-41' => ['Quay shoes', 39.95],
        'PUMP' => ['Bilge pump', 27.4], 'TOW' => ['Tow line', 46.0],
    ];

    public function __construct(private MovableClock $clock)
    {
    }

    /** @return object{id: int, state: string, lines: list<Line>, total: float}|null the basket that is open */
    public function basket(string $number): ?object
    {
        $row = DB::table('baskets')->where('number', $number)->orderByDesc('id')->first();
        if ($row === null || $row->state === 'BEZAHLT') {
            return null;
        }
        $lines = self::lines((string) $row->lines);

        return (object) ['id' => (int) $row->id, 'state' => (string) $row->state, 'lines' => $lines, 'total' => self::total($lines)];
    }

    public function put(string $number, string $sku, How $how): void
    {
        [$title, $price] = self::GOODS[$sku];
        $basket = $this->basket($number);
        $lines = $basket->lines ?? [];
        $at = array_search($sku, array_column($lines, 'sku'), true);
        if (is_int($at) && isset($lines[$at])) {
            $lines[$at] = ['stk' => $lines[$at]['stk'] + 1] + $lines[$at];
        } else {
            $lines[] = ['sku' => $sku, 'titel' => $title, 'stk' => 1, 'preis' => $price];
        }
        $this->save($number, $basket?->id, 'OFFEN', $lines, $how);
    }

    public function leave(string $number, How $how): void
    {
        $basket = $this->basket($number);
        if ($basket !== null) {
            $this->save($number, $basket->id, 'VERLASSEN', $basket->lines, $how);
        }
    }

    public function pay(string $number, How $how): void
    {
        $basket = $this->basket($number);
        if ($basket === null) {
            return;
        }
        $this->save($number, $basket->id, 'BEZAHLT', $basket->lines, $how);
        Courier::send(
            '/in/shop-orders',
            config()->string('standins.shop_secret'),
            json_encode(
                [
                    'bestellung' => sprintf('B%06d', $basket->id), 'korb' => sprintf('K-%05d', $basket->id),
                    'kunde' => ['tel' => self::dialled($number)],
                    'posten' => array_map(fn (array $line): array => ['titel' => $line['titel'], 'stk' => $line['stk']], $basket->lines),
                    'cent' => (int) round($basket->total * 100), 'bezahlt_um' => $this->clock->now()->getTimestamp(),
                ],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
            ),
            signed: true,
            how: $how,
        );
    }

    /** @param  list<Line>  $lines */
    private function save(string $number, ?int $id, string $state, array $lines, How $how): void
    {
        $now = $this->clock->now();
        $row = [
            'number' => $number, 'state' => $state, 'lines' => json_encode($lines, JSON_THROW_ON_ERROR),
            'touched' => $now->format('Y-m-d H:i:s'),
        ];
        $id ??= DB::table('baskets')->insertGetId($row);
        DB::table('baskets')->where('id', $id)->update($row);
        DB::table('baskets')->where('id', $id)->increment('changes');
        $person = People::of($number);
        Courier::send(
            '/in/shop',
            config()->string('standins.shop_secret'),
            json_encode(
                [
                    'korb' => sprintf('K-%05d', $id),
                    'lfd' => (int) DB::table('baskets')->where('id', $id)->value('changes'),
                    'zustand' => $state,
                    'kunde' => [
                        'nr' => $person === null ? null : 'KD'.substr($number, -6), 'tel' => self::dialled($number),
                        'mail' => $person['email'] ?? 'null',
                        'name' => mb_strtoupper($person['last_name'] ?? 'Gast', 'UTF-8').', '.($person['first_name'] ?? ''),
                    ],
                    'posten' => array_map(
                        fn (array $line): array => [
                            'titel' => $line['titel'],
                            'stk' => $line['stk'],
                            'preis' => self::comma($line['preis']),
                        ],
                        $lines,
                    ),
                    'summe' => self::comma(self::total($lines)).' GBP',
                    'zurueck' => sprintf('https://shop.osierquay.example/korb/%05d', $id),
                    'beruehrt' => $now->setTimezone(new \DateTimeZone('Europe/Berlin'))->format('d.m.Y H:i:s'),
                ],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
            ),
            signed: true,
            how: $how,
        );
    }

    /** @return list<Line> */
    private static function lines(string $json): array
    {
        /** @var list<Line> */
        return json_decode($json, true, 8, JSON_THROW_ON_ERROR);
    }

    /** @param  list<Line>  $lines */
    private static function total(array $lines): float
    {
        return array_sum(array_map(fn (array $line): float => $line['stk'] * $line['preis'], $lines));
    }

    private static function comma(float $amount): string
    {
        return number_format($amount, 2, ',', '.');
    }

    private static function dialled(string $e164): string
    {
        return str_starts_with($e164, '+44') ? '0'.substr($e164, 3) : '00'.substr($e164, 1);
    }
}
