<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Business;
use App\Models\ChangeKind;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\KnownPeople;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\FieldKind;
use Psr\Clock\ClockInterface;

/**
 * The one way into the records. Finds or makes the person, writes the record, and keeps one change that says what was, what is, and
 * where it came from. Always inside the caller's transaction.
 */
final class RecordWriter
{
    public function __construct(private readonly ClockInterface $clock)
    {
    }

    /** @throws Refused */
    public function take(Cleaned $cleaned, ChangeOrigin $origin): Written
    {
        $written = $this->upsertMany([$cleaned], $origin)[0];

        return $written instanceof Refused ? throw $written : $written;
    }

    /** What taking it would do, without doing it. @throws Refused */
    public function plan(Cleaned $cleaned, ChangeOrigin $origin): Written
    {
        DB::beginTransaction();
        try {
            return $this->take($cleaned, $origin);
        } finally {
            DB::rollBack();
        }
    }

    /** Whom something is said about; made known if nobody. */
    public function person(PersonInput $said, ChangeOrigin $origin): Person
    {
        return Person::query()->findOrFail($this->take(new Cleaned('person', null, $said, []), $origin)->personId);
    }

    /**
     * Takes many of one type at once, in their order.
     *
     * @template K of array-key
     *
     * @param  non-empty-array<K, Cleaned>  $all
     * @return array<K, Written|Refused>
     */
    public function upsertMany(array $all, ChangeOrigin $origin): array
    {
        $now = $this->clock->now();
        $business = Business::ours();
        $type = RecordType::query()->where('key', reset($all)->type)->with('fields')->first() ?? throw new \LogicException('No record type '.reset($all)->type);
        $references = new References($business->country, $origin->versions);
        $said = array_map(fn (Cleaned $one): PersonInput => self::whom($one, $type, $business), $all);
        $people = new People($business->conflicts, $origin, $now, $said);
        $records = $type->isPeople() ? null : new Records($type, $references, $origin, $now, array_map(fn (Cleaned $one): ?string => $one->externalId, $all));
        $changes = [];
        $consents = new Consents($origin, $now, $said);
        $done = [];
        foreach ($all as $i => $one) {
            try {
                $values = $records?->resolve($one->fields) ?? [];
                $late = $records?->isLate($one) ?? false;
                $known = $late && $one->knownPeople === KnownPeople::Overwrite ? KnownPeople::Fill : $one->knownPeople;
                [$person, $isNew, $altered] = $people->take($said[$i], $known) ?? [null, false, []];
                $from = array_map(fn (array $pair): mixed => $pair[0], $altered);
                $to = array_map(fn (array $pair): mixed => $pair[1], $altered);
                if ($records === null) {
                    if ($person === null) {
                        throw Refused::because('nobody');
                    }
                    $written = new Written($isNew ? IntakeResult::Added : ($altered === [] ? IntakeResult::Same : IntakeResult::Changed), null, $person->id, $from, $isNew ? array_filter(['email' => $said[$i]->email, 'number' => $said[$i]->number?->e164, ...$said[$i]->own]) : $to, $isNew);
                } else {
                    $written = $records->write($one, $values, $person?->id, $isNew);
                    if ($to !== []) {
                        $changes[] = ChangeRow::of(ChangeKind::PersonChanged, null, $person?->id, $from, $to, $origin, $now);
                    }
                }
                $consents->take($one->person, $person);
                if ($written->outcome === IntakeResult::Added || $written->outcome === IntakeResult::Changed) {
                    $isAdded = $written->outcome === IntakeResult::Added;
                    $kind = $records === null ? ($isAdded ? ChangeKind::PersonAdded : ChangeKind::PersonChanged) : ($isAdded ? ChangeKind::RecordAdded : ChangeKind::RecordChanged);
                    $changes[] = ChangeRow::of($kind, $written->recordId, $written->personId, $isAdded ? null : $written->from, $written->to, $origin, $now);
                }
                $done[$i] = $written;
            } catch (Refused $e) {
                $done[$i] = $e;
            }
        }
        $people->flush();
        $consents->flush();
        foreach (array_chunk($changes, 400) as $chunk) {
            DB::table('changes')->insert($chunk);
        }

        return $done;
    }

    /**
     * Changes a record that is known already.
     *
     * @param  array<string, scalar|null>  $fields  as their fields keep them; references still in words
     *
     * @throws Refused
     */
    public function edit(Record $record, array $fields, ChangeOrigin $origin): Written
    {
        $now = $this->clock->now();
        $business = Business::ours();
        $type = $record->type->load('fields');
        $one = new Cleaned($type->key, null, new PersonInput, $fields);
        $said = self::whom($one, $type, $business);
        $people = new People($business->conflicts, $origin, $now, [$said]);
        $records = new Records($type, new References($business->country, $origin->versions), $origin, $now, []);
        $values = $records->resolve($fields);
        [$person, $isNew] = $people->take($said, KnownPeople::Fill) ?? [null, false];
        $leads = $type->field($type->person_field);
        $personId = $leads?->kind === FieldKind::Person && array_key_exists($leads->key, $values) ? $values[$leads->key] : $person?->id;
        $written = $records->change($record, $one, $values, $personId === null ? null : (int) $personId, $isNew);
        $people->flush();
        if ($written->outcome === IntakeResult::Changed) {
            DB::table('changes')->insert(ChangeRow::of(ChangeKind::RecordChanged, $record->id, $written->personId, $written->from, $written->to, $origin, $now));
        }

        return $written;
    }

    /**
     * Changes a person who is known already: what is said replaces what was.
     *
     * @throws Refused where a number belongs to somebody else
     */
    public function editPerson(Person $person, PersonInput $said, ChangeOrigin $origin): Written
    {
        $now = $this->clock->now();
        $people = new People(Business::ours()->conflicts, $origin, $now, [$said]);
        $altered = $people->edit($person, $said);
        $people->flush();
        $from = array_map(fn (array $pair): mixed => $pair[0], $altered);
        $to = array_map(fn (array $pair): mixed => $pair[1], $altered);
        if ($altered !== []) {
            DB::table('changes')->insert(ChangeRow::of(ChangeKind::PersonChanged, null, $person->id, $from, $to, $origin, $now));
        }

        return new Written($altered === [] ? IntakeResult::Same : IntakeResult::Changed, null, $person->id, $from, $to, false);
    }

    /** What is said of the person, or what the field that leads to the person says. */
    private static function whom(Cleaned $one, RecordType $type, Business $business): PersonInput
    {
        $leads = $one->person->isSomebody() ? null : $type->field($type->person_field);
        $value = $leads === null ? null : $one->fields[$leads->key] ?? null;
        if (! is_string($value)) {
            return $one->person;
        }

        return match ($leads?->kind) {
            FieldKind::Phone => new PersonInput(number: Numbers::read($value, $business->country), own: $one->person->own, fields: $one->person->fields, consent: $one->person->consent),
            FieldKind::Email => new PersonInput(email: $value, own: $one->person->own, fields: $one->person->fields, consent: $one->person->consent),
            default => $one->person,
        };
    }
}
