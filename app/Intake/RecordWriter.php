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
    public function upsert(Cleaned $cleaned, ChangeOrigin $origin): Written
    {
        $written = $this->upsertMany([$cleaned], $origin)[0];

        return $written instanceof Refused ? throw $written : $written;
    }

    /** What taking it would do, without doing it. @throws Refused */
    public function plan(Cleaned $cleaned, ChangeOrigin $origin): Written
    {
        DB::beginTransaction();
        try {
            return $this->upsert($cleaned, $origin);
        } finally {
            DB::rollBack();
        }
    }

    /** Whom something is said about; made known if nobody. */
    public function person(PersonInput $said, ChangeOrigin $origin): Person
    {
        return Person::query()->findOrFail($this->upsert(new Cleaned('person', null, $said, []), $origin)->personId);
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
        $type =
            RecordType::query()->where('key', reset($all)->type)->with('fields')->first() ??
            throw new \LogicException('No record type '.reset($all)->type);
        $references = new References($business->country, $origin->versions);
        $said = array_map(fn (Cleaned $one): PersonInput => self::whom($one, $type, $business), $all);
        $people = new People($business->conflicts, $origin, $now, $said);
        $records = $type->isPeople()
            ? null
            : new Records($type, $references, $origin, $now, array_map(fn (Cleaned $one): ?string => $one->externalId, $all));
        $consents = new Consents($origin, $now, $said);
        $changes = $done = [];
        foreach ($all as $i => $one) {
            try {
                $values = $records?->resolve($one->fields) ?? [];
                $isLate = $records?->isLate($one) === true && $one->knownPeople === KnownPeople::Overwrite;
                $known = $isLate ? KnownPeople::Fill : $one->knownPeople;
                [$person, $isNew, $altered] = $people->upsert($said[$i], $known) ?? [null, false, []];
                if ($records === null) {
                    $done[$i] = self::ofPerson($person ?? throw Refused::because('nobody'), $isNew, $altered, $said[$i]);
                } else {
                    $done[$i] = $records->write($one, $values, $person?->id, $isNew);
                    $changes[] = self::changeOfPerson($person, $altered, $origin, $now);
                }
                $consents->record($one->person, $person);
                $changes[] = self::change($done[$i], $records === null, $origin, $now);
            } catch (Refused $e) {
                $done[$i] = $e;
            }
        }
        $changes = array_values(array_filter($changes));
        $people->flush();
        $consents->flush();
        foreach (array_chunk($changes, 400) as $chunk) {
            DB::table('changes')->insert($chunk);
        }

        return $done;
    }

    /** @param  array<string, array{mixed, mixed}>  $altered  what was and what is, by field */
    private static function ofPerson(Person $person, bool $isNew, array $altered, PersonInput $said): Written
    {
        $to = $isNew
            ? array_filter(['email' => $said->email, 'number' => $said->number?->e164, ...$said->own])
            : array_map(fn (array $pair): mixed => $pair[1], $altered);
        $result = match (true) {
            $isNew => IntakeResult::Added,
            $altered === [] => IntakeResult::Same,
            default => IntakeResult::Changed,
        };

        return new Written($result, null, $person->id, array_map(fn (array $pair): mixed => $pair[0], $altered), $to, $isNew);
    }

    /**
     * What a record said of its person besides, as a change of theirs.
     *
     * @param  array<string, array{mixed, mixed}>  $altered
     * @return array<string, mixed>|null
     */
    private static function changeOfPerson(?Person $person, array $altered, ChangeOrigin $origin, \DateTimeImmutable $now): ?array
    {
        [$from, $to] = [array_map(fn (array $pair): mixed => $pair[0], $altered), array_map(fn (array $pair): mixed => $pair[1], $altered)];

        return $altered === [] ? null : ChangeRow::of(ChangeKind::PersonChanged, null, $person?->id, $from, $to, $origin, $now);
    }

    /** @return array<string, mixed>|null the change as its table keeps it; null where nothing changed */
    private static function change(Written $written, bool $isPerson, ChangeOrigin $origin, \DateTimeImmutable $now): ?array
    {
        $kind = match ($written->outcome) {
            IntakeResult::Added => $isPerson ? ChangeKind::PersonAdded : ChangeKind::RecordAdded,
            IntakeResult::Changed => $isPerson ? ChangeKind::PersonChanged : ChangeKind::RecordChanged,
            default => null,
        };
        $from = $written->outcome === IntakeResult::Added ? null : $written->from;

        return $kind === null ? null : ChangeRow::of($kind, $written->recordId, $written->personId, $from, $written->to, $origin, $now);
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
        [$person, $isNew] = $people->upsert($said, KnownPeople::Fill) ?? [null, false];
        $written = $records->change($record, $one, $values, $person?->id, $isNew);
        $people->flush();
        if ($written->outcome === IntakeResult::Changed) {
            DB::table('changes')->insert(
                ChangeRow::of(ChangeKind::RecordChanged, $record->id, $written->personId, $written->from, $written->to, $origin, $now),
            );
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
            FieldKind::Phone => new PersonInput(
                number: Numbers::read($value, $business->country), own: $one->person->own, fields: $one->person->fields,
                consent: $one->person->consent,
            ),
            FieldKind::Email => new PersonInput(
                email: $value, own: $one->person->own, fields: $one->person->fields, consent: $one->person->consent,
            ),
            default => $one->person,
        };
    }
}
