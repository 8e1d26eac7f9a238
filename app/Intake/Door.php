<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Number;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Number\PhoneNumber;

/** The one way into the records: finds or makes the person, writes the record, and keeps one change. Inside the caller's transaction. */
final class Door
{
    public function take(Cleaned $cleaned, \DateTimeImmutable $now, ?int $deliveryId): Record
    {
        $type = RecordType::query()->where('key', $cleaned->type)->firstOrFail();
        $person = $cleaned->number === null ? null : $this->person($cleaned->number, $cleaned->person, $now);
        $record = $cleaned->externalId === null ? null : Record::query()->lockForUpdate()
            ->where('record_type_id', $type->id)->where('external_id', $cleaned->externalId)->first();

        if ($record === null) {
            $record = Record::query()->create([
                'record_type_id' => $type->id, 'person_id' => $person?->id, 'external_id' => $cleaned->externalId,
                'values' => $cleaned->fields, 'added_at' => $now,
            ]);
            $this->keep(ChangeKind::RecordAdded, $record, null, $cleaned->fields, $now, $deliveryId);

            return $record;
        }

        $changed = array_filter($cleaned->fields, fn ($value, $key): bool => ($record->values[$key] ?? null) !== $value, ARRAY_FILTER_USE_BOTH);
        if ($changed !== []) {
            $from = array_intersect_key($record->values, $changed);
            $record->update(['values' => [...$record->values, ...$changed]]);
            $this->keep(ChangeKind::RecordChanged, $record, $from, $changed, $now, $deliveryId);
        }

        return $record;
    }

    /**
     * Whom a number belongs to, made known if nobody. What is known already stays; what was empty is filled in.
     *
     * @param  array<string, string>  $fields
     */
    public function person(PhoneNumber $number, array $fields, \DateTimeImmutable $now): Person
    {
        $names = array_intersect_key($fields, ['first_name' => 1, 'last_name' => 1, 'email' => 1]);
        $known = Number::query()->where('e164', $number->e164)->first();
        if ($known !== null) {
            $person = Person::query()->findOrFail($known->person_id);
            $person->fill(array_filter($names, fn (string $key): bool => in_array($person->getAttribute($key), [null, ''], true), ARRAY_FILTER_USE_KEY));
            $person->fields = [...array_diff_key($fields, $names), ...$person->fields];
            $person->save();

            return $person;
        }

        $person = Person::query()->create([...$names, 'fields' => array_diff_key($fields, $names), 'added_at' => $now]);
        Number::query()->create([
            'person_id' => $person->id, 'e164' => $number->e164, 'country' => $number->country, 'kind' => $number->kind, 'zones' => $number->zones,
        ]);

        return $person;
    }

    /**
     * @param  array<string, mixed>|null  $from
     * @param  array<string, mixed>  $to
     */
    private function keep(ChangeKind $kind, Record $record, ?array $from, array $to, \DateTimeImmutable $now, ?int $deliveryId): void
    {
        Change::query()->create([
            'kind' => $kind, 'record_id' => $record->id, 'person_id' => $record->person_id, 'delivery_id' => $deliveryId,
            'from' => $from, 'to' => $to, 'at' => $now, 'handled' => false,
        ]);
    }
}
