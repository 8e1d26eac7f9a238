<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Business;
use App\Models\Field;
use App\Models\RecordType;
use App\Models\Staff;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Example\Supposition;
use Linnet\Core\Rule\Rule;

/** Makes somebody up whom a rule can be held to. */
final readonly class ExampleMaking
{
    private const PERSON = ['first_name' => 'Robin', 'last_name' => 'Marsh'];

    /** What tells who somebody is stays with them: a rule's file goes out of the house. */
    private const THEIRS = [FieldKind::Phone, FieldKind::Email, FieldKind::Person, FieldKind::Record, FieldKind::LongText];

    public function __construct(private Business $business, private \DateTimeImmutable $now)
    {
    }

    /**
     * The record of a sample with somebody else in it, as it is when the rule begins.
     *
     * @param  list<Supposition>  $happens
     */
    public function ofSample(Rule $rule, Sample $sample, string $zone, array $happens, string $name): Example
    {
        $record = [];
        foreach ($sample->record->type->fields ?? [] as $field) {
            $value = $sample->record->values[$field->key] ?? null;
            if ($value !== null && is_scalar($value) && ! in_array($field->kind, self::THEIRS, true)) {
                $record[$field->key] = $value;
            }
        }

        return new Example(
            mb_substr($name, 0, 80, 'UTF-8'), $sample->at->setTimezone(new \DateTimeZone('UTC')), $zone, self::PERSON,
            self::begun($rule, $record), $happens, [],
        );
    }

    /** Nobody there is: with values that the rule could begin for. */
    public function ofNobody(Rule $rule, string $name): Example
    {
        $type =
            $rule->trigger->type() === CoreType::PERSON
                ? null
                : RecordType::query()->with('fields')->firstWhere('key', $rule->trigger->type());
        $at = $this->now->setTimezone(new \DateTimeZone($this->business->zone))->setTime(10, 0);
        // What lies behind the date it hangs on has been, what hangs before it is to come.
        $day = $at->modify($rule->trigger->offset()?->before === false ? '+1 day' : '+40 days');
        $record = [];
        foreach ($type->fields ?? [] as $field) {
            $value = $this->value($field, $day);
            if ($value !== null) {
                $record[$field->key] = $value;
            }
        }

        return new Example(
            $name, $at->setTimezone(new \DateTimeZone('UTC')), $this->business->zone, self::PERSON, self::begun($rule, $record), [], [],
        );
    }

    private function value(Field $field, \DateTimeImmutable $day): string|int|float|bool|null
    {
        return match ($field->kind) {
            FieldKind::DateTime => $day->format(DATE_ATOM),
            FieldKind::Date => $day->format('Y-m-d'),
            FieldKind::Number, FieldKind::Money => 2,
            FieldKind::YesNo => true,
            FieldKind::Choice => $field->options[0] ?? null,
            FieldKind::Staff => Staff::query()->orderBy('id')->value('id'),
            FieldKind::Link => 'https://www.example/'.$field->key,
            FieldKind::Text => $field->name,
            default => null,
        };
    }

    /**
     * @param  array<string, string|int|float|bool|null>  $record
     * @return array<string, string|int|float|bool|null>
     */
    private static function begun(Rule $rule, array $record): array
    {
        return $rule->trigger->begunWith() + $record;
    }
}
