<?php

declare(strict_types=1);

namespace App\Rehearsals;

use App\Engine\Store\DatabaseBusinessReader;
use App\Engine\Store\DatabaseRunStore;
use App\Models\ChangeKind;
use Illuminate\Support\Facades\DB;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;

/** People and records as they were at a moment: as they are now, with the changes that were kept since taken back. */
final class PastFacts
{
    private const AT_ONCE = 500;

    /** @var array<int, array<string, mixed>> what was, by person or record and field */
    private array $people = [];

    /** @var array<int, array<string, mixed>> */
    private array $records = [];

    /** @var array<int, list<string>> numbers that became known since */
    private array $numbers = [];

    /** @var array<int, array<string, array{string, string, bool}>> tags and lists that became otherwise since, and whether they were had */
    private array $labels = [];

    /** @var array<int, Person> those who became known later, as they were then */
    private array $later = [];

    /** @param  \Closure(int): void  $tick  is told of nothing now and then, so that whoever waits knows that it goes on */
    public function __construct(
        private readonly DatabaseBusinessReader $reader,
        private readonly \DateTimeImmutable $at,
        private readonly \Closure $tick,
    ) {
        foreach ($this->changes() as $i => $change) {
            $this->takeBack($change);
            $i % self::AT_ONCE === 0 && $tick(0);
        }
    }

    public function fill(Sheet $sheet): void
    {
        $this->readPeople($sheet);
        $this->readRecords($sheet);
        $this->readConsent($sheet);
        $this->people = $this->records = $this->labels = [];
    }

    /** Somebody who became known later, as they were then. */
    public function later(int $person): ?Person
    {
        return $this->later[$person] ?? null;
    }

    /** @return list<int> */
    public function allLater(): array
    {
        return array_keys($this->later);
    }

    /** A number somebody has by now; before anybody asked about it. */
    public function number(int $person, string $e164): ?PersonNumber
    {
        $number = $this->reader->person($person)?->number($e164);

        return $number === null ? null : $this->before($number);
    }

    /** @return iterable<int, \stdClass> */
    private function changes(): iterable
    {
        return DB::table('changes')
            ->where('at', '>=', DatabaseRunStore::at($this->at))
            ->whereIn('kind', [ChangeKind::RecordChanged->value, ChangeKind::PersonChanged->value, ChangeKind::LabelChanged->value])
            ->select(['id', 'kind', 'record_id', 'person_id', 'from', 'to', 'with'])
            ->lazyById(2000);
    }

    /** Of several changes of one field the first tells what was. */
    private function takeBack(\stdClass $change): void
    {
        if ($change->kind === ChangeKind::LabelChanged->value) {
            /** @var array{label: string, name: string, added: bool} $with */
            $with = json_decode((string) $change->with, true, 8, JSON_THROW_ON_ERROR);
            $key = $with['label'].'/'.mb_strtolower($with['name'], 'UTF-8');
            $this->labels[(int) $change->person_id][$key] ??= [$with['label'], $with['name'], ! $with['added']];

            return;
        }
        /** @var array<string, mixed> $from */
        $from = json_decode((string) ($change->from ?? '{}'), true, 16, JSON_THROW_ON_ERROR);
        if ($change->kind === ChangeKind::RecordChanged->value) {
            $this->records[(int) $change->record_id] = ($this->records[(int) $change->record_id] ?? []) + $from;

            return;
        }
        /** @var array<string, mixed> $to */
        $to = json_decode((string) ($change->to ?? '{}'), true, 16, JSON_THROW_ON_ERROR);
        if (is_string($to['number'] ?? null)) {
            $this->numbers[(int) $change->person_id][] = $to['number'];
        }
        unset($from['number']);
        $this->people[(int) $change->person_id] = ($this->people[(int) $change->person_id] ?? []) + $from;
    }

    private function readPeople(Sheet $sheet): void
    {
        foreach (DB::table('people')->select(['id', 'added_at'])->lazyById(self::AT_ONCE)->chunk(self::AT_ONCE) as $chunk) {
            $added = $chunk->pluck('added_at', 'id')->all();
            $this->reader->preloadPeople(array_keys($added));
            ($this->tick)(0);
            foreach ($added as $id => $at) {
                $person = $this->reader->person($id);
                if ($person === null) {
                    continue;
                }
                $then = $this->then($person);
                if (DatabaseBusinessReader::moment($at) < $this->at) {
                    $sheet->people[$id] = $then;
                } else {
                    $this->later[$id] = $then;
                }
            }
        }
    }

    private function then(Person $person): Person
    {
        $numbers = array_values(array_filter(
            $person->numbers,
            fn (PersonNumber $number): bool => ! in_array($number->e164, $this->numbers[$person->id] ?? [], true),
        ));
        $known = array_map($this->before(...), $numbers);
        if ($known === $person->numbers && ! isset($this->labels[$person->id]) && ! isset($this->people[$person->id])) {
            return $person;
        }
        $labels = ['tag' => $person->tags, 'list' => $person->lists];
        foreach ($this->labels[$person->id] ?? [] as [$kind, $name, $was]) {
            $others = array_filter(
                $labels[$kind],
                fn (string $one): bool => mb_strtolower($one, 'UTF-8') !== mb_strtolower($name, 'UTF-8'),
            );
            $labels[$kind] = array_values($was ? [...$others, $name] : $others);
        }

        return $person->with([
            'numbers' => $known, 'tags' => $labels['tag'], 'lists' => $labels['list'],
            'newest' => $person->newest === null ? null : $known[count($known) - 1] ?? null,
        ])->becoming($this->people[$person->id] ?? []);
    }

    /** What was told of a number later was not known then: its kind was what the number itself tells. */
    private function before(PersonNumber $number): PersonNumber
    {
        return $number->lookedUpAt === null || $number->lookedUpAt < $this->at
            ? $number
            : new PersonNumber(
                $number->e164, $number->country, Numbers::read($number->e164, $number->country)->kind, $number->zones, null, $number->rank,
            );
    }

    private function readRecords(Sheet $sheet): void
    {
        $at = DatabaseRunStore::at($this->at);
        foreach (
            DB::table('records')->where('added_at', '<', $at)->select('id')->lazyById(self::AT_ONCE)->chunk(self::AT_ONCE) as $chunk
        ) {
            $ids = array_values(array_map(intval(...), $chunk->pluck('id')->all()));
            $this->reader->preloadRecords($ids);
            ($this->tick)(0);
            $last = DB::table('changes')->whereIn('record_id', $ids)->where('at', '<', $at)->groupBy('record_id')->selectRaw('max(id)');
            $then = DB::table('changes')->whereIn('id', $last)->get(['record_id', 'person_id', 'at'])->keyBy('record_id');
            foreach ($ids as $id) {
                $record = $this->reader->record($id);
                $whose = isset($then[$id]) ? $then[$id]->person_id : $record?->personId;
                if ($record === null || ! isset($sheet->configuration->types[$record->type->key])) {
                    continue;
                }
                $values = array_filter(
                    [...$record->values, ...$this->records[$id] ?? []],
                    fn (mixed $value): bool => $value === null || is_scalar($value),
                );
                $sheet->now = isset($then[$id]) ? DatabaseBusinessReader::moment($then[$id]->at) : $this->at;
                $sheet->store($id, $record->type->key, $whose === null ? null : (int) $whose, $values);
            }
            // The paper has them now.
            array_map($this->reader->forgetRecord(...), $ids);
        }
        $sheet->now = $this->at;
    }

    private function readConsent(Sheet $sheet): void
    {
        $at = DatabaseRunStore::at($this->at);
        foreach (DB::table('consents')->where('at', '<', $at)->select(['id', 'number', 'scope', 'act'])->lazyById(2000) as $row) {
            $known = $sheet->consent[(string) $row->number] ?? ['optedOut' => false, 'optedIn' => false, 'mayHaveOptedOut' => false];
            $sheet->consent[(string) $row->number] = [...$known, ...self::becomes((string) $row->scope, (string) $row->act)];
        }
    }

    /** @return array{optedOut?: bool, optedIn?: bool} what an entry of the ledger says of a number */
    public static function becomes(string $scope, string $act): array
    {
        return match ($scope) {
            'all' => ['optedOut' => $act === 'withdrawn'],
            'marketing' => ['optedIn' => $act === 'granted'],
            default => [],
        };
    }
}
