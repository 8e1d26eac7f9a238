<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use Linnet\Core\Context\Subject;
use Linnet\Core\InMemory\Configuration;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Starter\Starter;

/** A starter rehearsed on somebody who is made up, with our hours, limits and lines. */
final class MadeUp
{
    /** From a range that is reserved for fiction. */
    private const NUMBER = '+447700900999';

    public static function of(Starter $starter, UnitOfWork $unit, Business $business): Rehearsed
    {
        $known = $unit->reader;
        $lines = $known->lines();
        $line = array_values(array_filter($lines, fn (Line $one): bool => $one->number !== null))[0] ?? $lines[0];
        $sender = new Line($line->id, Starter::LINE, $line->name, $line->number);
        $at = $unit->now->setTimezone(new \DateTimeZone($business->zone))->setTime(10, 0)->setTimezone(new \DateTimeZone('UTC'));
        $staff = $known->allStaff();
        $sheet = new Sheet(
            new Configuration(
                $known->business(), $known->policy(), $known->words(), $starter->types, [$sender], $staff,
                codes: ['welcome' => ['QUAY10']],
            ),
            $at,
        );
        $born = $unit->now->modify('+3 days')->format('1990-m-d');
        $sheet->people[1] = new Person(
            1, 'Robin', ['first_name' => 'Robin', 'last_name' => 'Marsh', 'birthday' => $born],
            [new PersonNumber(self::NUMBER, 'GB', NumberKind::Mobile, [$business->zone])],
        );
        $sheet->consent[self::NUMBER] = ['optedOut' => false, 'optedIn' => true, 'mayHaveOptedOut' => false];
        $type = $starter->types[$starter->rule->trigger->type()] ?? null;
        $isRecord = $type !== null && $type->key !== RecordType::PERSON;
        if ($isRecord) {
            $sheet->records[1] = new Record(1, $type, self::values($starter, $type, $at, $staff[0]->id ?? null), 1, $at);
            $sheet->recordsOf[1] = [1];
        }

        return Rehearsal::oneRun($sheet, $starter->rule, new Subject(1, $isRecord ? 1 : null), Starter::LINE);
    }

    /** @return array<string, string|int|float|bool|null> */
    private static function values(Starter $starter, RecordType $type, \DateTimeImmutable $at, ?int $staff): array
    {
        $values = [];
        // What lies behind the date it hangs on has been, what hangs before it is to come.
        $offset = $starter->rule->trigger->offset()?->before === false ? 1 : 40;
        foreach ($type->fields as $field) {
            $example = $starter->examples["$type->key.$field->key"] ?? '';
            $values[$field->key] = match ($field->kind) {
                FieldKind::DateTime => $at->modify("+$offset days")->format(DATE_ATOM),
                FieldKind::Date => $at->modify("+$offset days")->format('Y-m-d'),
                FieldKind::Number, FieldKind::Money => $example === '' ? 2 : (float) $example,
                FieldKind::Staff => $staff,
                FieldKind::YesNo => true,
                default => $example,
            };
        }

        return $values;
    }
}
