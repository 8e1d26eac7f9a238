<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Business;
use App\Models\Field;
use App\Models\FieldKind;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Person;
use App\Models\Record;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Record\Day;
use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Moment;
use Linnet\Core\Record\Money;
use Linnet\Core\Record\Receiver;

/** Loads what the engine may look at. */
final class Situations
{
    public function of(?Person $person, ?Receiver $receiver, Record $record, ?Line $line, Business $business, \DateTimeImmutable $now): Situation
    {
        $own = $person === null ? [] : array_filter([
            ...$person->fields,
            'first_name' => $person->first_name, 'last_name' => $person->last_name, 'email' => $person->email,
        ], fn (mixed $value): bool => $value !== null);
        $type = $record->type;
        $values = $labels = $says = [];
        foreach ($type->fields as $field) {
            $values[$field->key] = $this->value($field, $record->values[$field->key] ?? null, $business);
            $labels["$type->key.$field->key"] = mb_strtolower($field->name);
            if ($field->kind === FieldKind::Line && $line !== null && $line->number === ($record->values[$field->key] ?? null)) {
                $says["$type->key.$field->key"] = $line->name;
            }
        }

        return new Situation(
            now: $now,
            facts: Facts::of([
                ...$own,
                'person' => $own,
                $type->key => $values,
                'line' => $line === null ? [] : ['name' => $line->name, 'number' => $line->number],
                'business' => ['name' => $business->name],
            ]),
            who: $person?->called() ?? 'the caller',
            zone: $receiver->zone ?? $business->zone,
            businessZone: $business->zone,
            opening: $business->openingHours(),
            optedOut: $receiver->optedOut ?? false,
            lastReplyAt: $person === null ? null : $this->lastReply($person),
            labels: $labels,
            says: $says,
        );
    }

    /** The line a record came in by: the value of its first field that holds one. */
    public function line(Record $record): ?Line
    {
        foreach ($record->type->fields as $field) {
            if ($field->kind === FieldKind::Line && is_string($record->values[$field->key] ?? null)) {
                return Line::query()->firstWhere('number', $record->values[$field->key]);
            }
        }

        return null;
    }

    private function lastReply(Person $person): ?\DateTimeImmutable
    {
        return Message::query()->where('person_id', $person->id)->where('origin', MessageOrigin::Them)->orderByDesc('at')->orderByDesc('id')->first()?->at;
    }

    private function value(Field $field, string|int|float|bool|null $value, Business $business): mixed
    {
        if ($value === null) {
            return null;
        }
        $text = (string) $value;
        $moment = $field->kind === FieldKind::DateTime ? Moment::parse($text) : null;

        return match ($field->kind) {
            FieldKind::DateTime => $moment === null ? null : new Moment($moment->at, $field->at_place ? $business->zone : null),
            FieldKind::Date => Day::parse($text),
            FieldKind::Money => is_numeric($text) ? new Money($text, $business->currency()) : null,
            FieldKind::Line => Line::query()->firstWhere('number', $text)->key ?? $text,
            default => $value,
        };
    }
}
