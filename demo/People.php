<?php

declare(strict_types=1);

namespace Demo;

use Demo\Season\Chance;

/**
 * The invented people of Osier Quay Boathouse, with numbers reserved for fiction.
 *
 * @phpstan-type Somebody array{first_name?: string, last_name?: string, number: string, handset: 'mobile'|'landline'|'dead', zone?: string}
 */
final class People
{
    /** How many the demo has. */
    public const MANY = 400;

    private const FIRST = [
        'Aisha', 'Alasdair', 'Amara', 'Anneke', 'Bertil', 'Bronwen', 'Caitlin', 'Cemal', 'Dara', 'Dilys', 'Elif', 'Emeka', 'Esme', 'Fergus',
        'Freya', 'Gwen', 'Hari', 'Hanne', 'Imogen', 'Ines', 'Isla', 'Jasper', 'Joss', 'Kamal', 'Keira', 'Lars', 'Leila', 'Lorcan', 'Mabel',
        'Magnus', 'Mei', 'Milo', 'Nadia', 'Niamh', 'Olwen', 'Omar', 'Paloma', 'Pascoe', 'Quentin', 'Rafi', 'Rowan', 'Saoirse', 'Selim',
        'Sunil', 'Tilda', 'Tomos', 'Una', 'Vikram', 'Wilf', 'Xanthe', 'Yara', 'Zeno',
    ];

    private const LAST = [
        'Abara', 'Ashdown', 'Barlow', 'Bassett', 'Cardew', 'Chowdhury', 'Dacre', 'Demir', 'Eastwick', 'Ekström', 'Fairley', 'Ferreira',
        'Gale', 'Ghosh', 'Harker', 'Holm', 'Idris', 'Ivory', 'Jessop', 'Kaya', 'Keane', 'Lacey', 'Lindgren', 'Mallory', 'Mbeki', 'Nash',
        'Nowak', 'Oakes', 'Osei', 'Pascal', 'Penrose', 'Quill', 'Rahman', 'Rooke', 'Sable', 'Stroud', 'Tanaka', 'Thorne', 'Underhill',
        'Vance', 'Varga', 'Wade', 'Wren', 'Yeo', 'Zeller',
    ];

    private const TOWNS = ['Osier', 'Lower Quay', 'Millbridge', 'Saltmarsh', 'Fenwick Green', 'Hythe End'];

    /** Numbers in Australia, from the ranges its regulator keeps for fiction. */
    private const AUSTRALIA = [
        '+61491570006', '+61491570156', '+61491570157', '+61491570158', '+61491570159', '+61491570110', '+61491570313', '+61491570737',
        '+61491571266', '+61491571491',
    ];

    private const AREAS = ['416', '604', '514', '212', '305', '312', '303', '206'];

    /** @return list<Somebody> those with a part to play in tests and in the first days */
    public static function named(): array
    {
        static $named = null;

        /** @var list<Somebody> */
        return $named ??= json_decode((string) file_get_contents(__DIR__.'/people.json'), true, 8, JSON_THROW_ON_ERROR);
    }

    /** @return list<Somebody> everybody the demo knows */
    public static function all(): array
    {
        static $all = null;

        return $all ??= self::town(self::MANY);
    }

    /** @return Somebody|null */
    public static function of(string $number): ?array
    {
        static $byNumber = null;
        $byNumber ??= array_column(self::all(), null, 'number');

        return $byNumber[$number] ?? null;
    }

    /**
     * As many as are asked for, the named ones first. The ranges for fiction hold some 900 more; a town beyond that is for measuring
     * only, and its numbers stand in no range of anybody's.
     *
     * @return non-empty-list<Somebody>
     */
    public static function town(int $many): array
    {
        $named = self::named();
        $taken = array_flip(array_column($named, 'number'));
        $mobiles = [];
        for ($i = 110; $i < 1000; $i++) {
            isset($taken[$number = sprintf('+447700900%03d', $i)]) || $mobiles[] = $number;
        }
        $people = $named;
        for ($i = 0; count($people) < $many; $i++) {
            $where = Chance::below(100, 'where', $i);
            [$number, $handset] = match (true) {
                $i >= count($mobiles) => [sprintf('+4478%08d', $i), 'mobile'],
                $i % 37 === 5 && isset(self::AUSTRALIA[intdiv($i, 37)]) => [self::AUSTRALIA[intdiv($i, 37)], 'mobile'],
                $where < 8 => [sprintf('+1%s55501%02d', self::AREAS[$i % 8], intdiv($i, 8) % 100), 'mobile'],
                $where < 11 => [sprintf('+44207946%04d', 100 + $i % 900), 'landline'],
                default => [$mobiles[$i], $where === 99 ? 'dead' : 'mobile'],
            };
            if (isset($taken[$number])) {
                continue;
            }
            $taken[$number] = 0;
            $people[] = (Chance::percent(94, 'named', $i)
                ? ['first_name' => Chance::of(self::FIRST, 'first', $i), 'last_name' => Chance::of(self::LAST, 'last', $i)]
                : []) + ['number' => $number, 'handset' => $handset];
        }

        return $people === [] ? throw new \LogicException('nobody lives here') : $people;
    }

    /** @return array{town?: string, member_since?: string, boat?: string} what else is known of somebody */
    public static function facts(string $number): array
    {
        return (Chance::percent(70, 'town', $number) ? ['town' => Chance::of(self::TOWNS, 'which', $number)] : []) +
            (self::isMember($number)
                ? [
                    'member_since' => sprintf(
                        '%d-%02d-%02d', 2012 + Chance::below(13, 'since', $number), 1 + Chance::below(12, 'month', $number),
                        1 + Chance::below(28, 'day', $number),
                    ),
                ]
                : []) +
            (self::isMember($number) && Chance::percent(40, 'boat', $number)
                ? ['boat' => Chance::of(['Wherry', 'Heron', 'Alder', 'Teal', 'Rushlight'], 'name', $number)]
                : []);
    }

    public static function isMember(string $number): bool
    {
        return Chance::percent(32, 'member', $number);
    }

    /** Whether they agreed to news of the quay by text. */
    public static function wantsNews(string $number): bool
    {
        return Chance::percent(46, 'news', $number);
    }
}
