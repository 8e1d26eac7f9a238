<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Record\RecordType as CoreType;

/** The records or people of one type that a rule can be rehearsed on. */
final readonly class Samples
{
    /** Offered at once: of the newest, and of those found by a name. */
    private const OFFERED = 40;

    private const FOUND = 12;

    /** People of a name whose records are looked through. */
    private const NAMESAKES = 50;

    public function __construct(private string $type, private string $zone, private \DateTimeImmutable $now)
    {
    }

    /** @return list<Sample> */
    public function newest(int $most = self::OFFERED): array
    {
        return $this->type === CoreType::PERSON ? $this->people(Person::query(), $most) : $this->records($this->ours(), $most);
    }

    /** @return list<Sample> whose title, or whose person's name or number, is like this */
    public function named(string $words): array
    {
        $words = mb_substr(trim($words), 0, 80, 'UTF-8');
        if ($words === '') {
            return $this->newest();
        }
        if ($this->type === CoreType::PERSON) {
            return $this->people(Person::query()->named($words), self::FOUND);
        }
        $small = mb_strtolower($words, 'UTF-8');
        $titled = $this->records(
            $this->ours()
                ->where('title', '>=', $small)
                ->where('title', '<', "$small\u{10FFFF}"),
            self::FOUND,
        );
        $theirs = $this->records(
            $this->ours()->whereIn('person_id', Person::query()->named($words)->limit(self::NAMESAKES)->pluck('id')),
            self::FOUND,
        );
        $found = [];
        foreach ([...$titled, ...$theirs] as $sample) {
            $found[$sample->id] = $sample;
        }

        return array_slice(array_values($found), 0, self::FOUND);
    }

    /**
     * @param  list<int>  $ids
     * @return list<Sample>
     */
    public function all(array $ids): array
    {
        return $this->type === CoreType::PERSON
            ? $this->people(Person::query()->whereKey($ids), count($ids))
            : $this->records($this->ours()->whereKey($ids), count($ids));
    }

    public function find(int $id): ?Sample
    {
        return ($this->type === CoreType::PERSON
            ? $this->people(Person::query()->whereKey($id), 1)
            : $this->records($this->ours()->whereKey($id), 1))[0] ?? null;
    }

    /** @return Builder<Record> */
    private function ours(): Builder
    {
        return Record::query()
            ->where('record_type_id', RecordType::query()->where('key', $this->type)->value('id'))
            ->whereNotNull('person_id');
    }

    /**
     * @param  Builder<Person>  $query
     * @return list<Sample>
     */
    private function people(Builder $query, int $most): array
    {
        return array_values(
            $query
                ->whereHas('numbers')
                ->with('number')
                ->orderByDesc('id')
                ->limit($most)
                ->get()
                ->map(fn (Person $person): Sample => Sample::person($person, $this->now))
                ->all(),
        );
    }

    /**
     * @param  Builder<Record>  $query
     * @return list<Sample>
     */
    private function records(Builder $query, int $most): array
    {
        return array_values(
            $query
                ->with(['person.number', 'type.fields'])
                ->orderByDesc('id')
                ->limit($most)
                ->get()
                ->map(fn (Record $record): Sample => Sample::record($record, $this->zone))
                ->all(),
        );
    }
}
