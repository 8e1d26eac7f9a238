<?php

declare(strict_types=1);

namespace Bench;

use App\Models\RecordType;
use Linnet\Core\Record\FieldKind;

/** 100,000 people and 1,000,000 records, written straight into the tables; the same every time. */
final class World
{
    public const PEOPLE = 100_000;

    public const RECORDS = 1_000_000;

    private const SHARES = ['booking' => 40, 'invoice' => 25, 'basket' => 20, 'deal' => 10, 'job' => 5];

    public static function seed(\PDO $db): void
    {
        mt_srand(7);
        $db->exec('pragma synchronous = off');
        $db->beginTransaction();
        $first = 1 + (int) self::one($db, 'select max(id) from people');
        $people = $db->prepare('insert into people (id, first_name, last_name, email, fields, added_at) values (?, ?, ?, ?, ?, ?)');
        $numbers = $db->prepare('insert into numbers (person_id, e164, country, kind, zones, "rank") values (?, ?, ?, ?, ?, 0)');
        $given = [
            'Ann', 'Bo', 'Cleo', 'Dan', 'Eve', 'Finn', 'Gil', 'Hope', 'Ivy', 'Jo', 'Kit', 'Lou', 'Mo', 'Nan', 'Oz', 'Pia', 'Quin', 'Ray',
            'Sue', 'Tim',
        ];
        for ($i = 0; $i < self::PEOPLE; $i++) {
            $people->execute([$first + $i, $given[$i % 20], self::word(intdiv($i, 20)), "p$i@example.org", '{}', '2025-01-01 00:00:00']);
            $numbers->execute([$first + $i, sprintf('+4477%08d', $i), 'GB', 'mobile', '["Europe/London"]']);
        }
        $records = $db->prepare(
            'insert into records (record_type_id, person_id, external_id, "values", title, added_at, changed_at) values (?, ?, ?, ?, ?, ?, ?)',
        );
        foreach (RecordType::query()->whereIn('key', array_keys(self::SHARES))->with('fields')->get() as $type) {
            for ($i = 0, $many = intdiv(self::RECORDS * self::SHARES[$type->key], 100); $i < $many; $i++) {
                $personId = $first + mt_rand(0, self::PEOPLE - 1);
                $values = self::values($type, $personId, $i);
                $at = gmdate('Y-m-d H:i:s', 1_740_000_000 + $i * 60);
                $title = $type->title_field === null ? null : mb_strtolower((string) $values[$type->title_field]);
                $records->execute([$type->id, $personId, "$type->key-$i", json_encode($values), $title, $at, $at]);
            }
        }
        $db->commit();
        $db->exec('pragma synchronous = normal');
        $db->exec('pragma wal_checkpoint(truncate)');
    }

    /** @return array<string, scalar> */
    private static function values(RecordType $type, int $personId, int $i): array
    {
        $values = [];
        foreach ($type->fields as $field) {
            $roll = mt_rand(0, 999);
            // One in ten is empty, and some choices are rare.
            if ($roll < 100 && $field->key !== $type->title_field && $field->key !== $type->person_field) {
                continue;
            }
            $day = gmdate('Y-m-d', 1_740_000_000 + mt_rand(0, 700) * 86_400);
            $values[$field->key] = match ($field->kind) {
                FieldKind::Choice => $field->options[
                    $roll < 104 ? count($field->options) - 1 : $roll % max(1, count($field->options) - 1)
                ] ?? '',
                FieldKind::Number => mt_rand(1, 60),
                FieldKind::Money => mt_rand(100, 90_000) / 100,
                FieldKind::Date => $day,
                FieldKind::DateTime => $day.sprintf('T%02d:00:00Z', 8 + ($roll % 10)),
                FieldKind::YesNo => $roll % 2 === 0,
                FieldKind::Staff => 1 + ($roll % 4),
                FieldKind::Person => $personId,
                FieldKind::Link => "https://shop.example/$i",
                default => self::word(mt_rand(0, 20_000)).' '.self::word($roll),
            };
        }

        return $values;
    }

    private static function word(int $i): string
    {
        return ucfirst(
            strtr(base_convert((string) (($i * 7919) % 1_000_003), 10, 26), '0123456789abcdefghijklmnop', 'bcdfghjklmnprstvaeiouywxzq'),
        );
    }

    private static function one(\PDO $db, string $sql): mixed
    {
        $statement = $db->query($sql);

        return $statement === false ? null : $statement->fetchColumn();
    }
}
