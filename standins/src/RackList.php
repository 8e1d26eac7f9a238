<?php

declare(strict_types=1);

namespace Standins;

use Demo\People;

/** The storage racks as a table somebody keeps in a spreadsheet and publishes at an address: semicolons, day before month, pounds. */
final class RackList
{
    private const BOATS = ['Sea kayak “Heron”', 'Single scull', 'Canadian canoe', 'Double scull', 'Surf ski', 'Polo kayak'];

    public static function csv(): string
    {
        $rows = ['Plan;Boat;Owner;Mobile;Rack;Next check;Yearly fee;State'];
        foreach (
            array_slice(
                array_values(
                    array_filter(
                        People::named(),
                        fn (array $person): bool => $person['handset'] === 'mobile' && isset($person['first_name']),
                    ),
                ),
                0,
                24,
            ) as $i => $person
        ) {
            $rows[] = implode(';', [
                sprintf('SP%03d', $i + 1), self::BOATS[$i % 6], '"'.trim("{$person['first_name']} ".($person['last_name'] ?? '')).'"',
                str_replace('+44', '0', $person['number']), chr(65 + ($i % 4)).(($i % 9) + 1),
                (new \DateTimeImmutable('2026-03-04'))->modify('+'.($i * 11) % 320 .' days')->format('d/m/Y'),
                '£'.number_format(120 + ($i % 5) * 35, 2), $i % 7 === 6 ? 'ended' : 'runs',
            ]);
        }

        return implode("\r\n", $rows)."\r\n";
    }
}
