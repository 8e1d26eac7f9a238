<?php

declare(strict_types=1);

namespace App\Audiences;

use App\Engine\DomainEventReader;
use App\Engine\Store\UnitOfWork;
use App\Records\FieldColumn;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\Subject;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Condition\Conditions;

/**
 * Who belongs to an audience: asked of the database where it can put the question as the engine would, else of the engine, about each whom
 * the database lets through.
 */
final class AudienceQuery
{
    /** So many are asked about one by one while somebody waits. */
    public const ASKED = 3000;

    /** Whether the database alone says who belongs to it. */
    public readonly bool $isExact;

    private readonly Builder $narrowed;

    /** @var list<int>|false|null those of the narrowed who belong to it; null where they are too many to ask, false where nobody has */
    private array|false|null $asked = false;

    public function __construct(private readonly UnitOfWork $unit, private readonly Audience $audience)
    {
        $names = new Names($unit->now, new \DateTimeZone($unit->reader->business()->zone));
        $type = $names->type($audience->of);
        $this->narrowed = $this->isOfPeople()
            ? DB::table('people')
            : DB::table('records')->whereRaw(FieldColumn::ofType($type->id ?? 0))->whereNotNull('records.person_id');
        $sql = new ConditionSql(
            $audience->of, $this->isOfPeople() ? 'people.id' : 'records.person_id', $names, $unit->reader->audiences(),
        );
        [$narrow, $this->isExact] = $sql->narrow($audience->condition);
        $this->narrowed->whereRaw("($narrow->sql)", $narrow->bindings);
    }

    /** Whether it can be said who belongs to it, and not only who might. */
    public function isKnown(): bool
    {
        return $this->isExact || $this->asked() !== null;
    }

    /** @return array{int, int} how many belong to it, or might, and how many people that are */
    public function counts(): array
    {
        if ($this->isOfPeople()) {
            $many = $this->all()->count();

            return [$many, $many];
        }
        $both = $this->all()->selectRaw('count(*) as many, count(distinct records.person_id) as people')->first();

        return [(int) ($both->many ?? 0), (int) ($both->people ?? 0)];
    }

    /**
     * The next after one, in the order of their making.
     *
     * @return list<int>
     */
    public function after(int $id, int $many): array
    {
        $table = $this->isOfPeople() ? 'people' : 'records';

        return array_values(array_map(
            intval(...), $this->all()->where("$table.id", '>', $id)->orderBy("$table.id")->limit($many)->pluck("$table.id")->all(),
        ));
    }

    /**
     * The people whose it is, the next after one.
     *
     * @return list<int>
     */
    public function peopleAfter(int $id, int $many): array
    {
        $column = $this->isOfPeople() ? 'people.id' : 'records.person_id';

        return array_values(array_map(
            intval(...), $this->all()->where($column, '>', $id)->distinct()->orderBy($column)->limit($many)->pluck($column)->all(),
        ));
    }

    /** Those whom the database lets through: all who belong to it, and others where it is not exact. */
    public function candidates(): Builder
    {
        return $this->narrowed->clone();
    }

    /** Those who belong to it, or might. */
    public function all(): Builder
    {
        $asked = $this->isExact ? null : $this->asked();

        return $asked === null
            ? $this->narrowed->clone()
            : $this->narrowed->clone()->whereIntegerInRaw($this->isOfPeople() ? 'people.id' : 'records.id', $asked);
    }

    /**
     * Those who belong to it, or might, where they are few enough to be named rather than asked for row by row.
     *
     * @param  bool  $asPeople  those whom its records are about, instead of the records
     * @return list<int>|null ids of people or records; null where they are more
     */
    public function ifFew(int $few, bool $asPeople = false): ?array
    {
        $column = $this->isOfPeople() ? 'people.id' : ($asPeople ? 'records.person_id' : 'records.id');
        $ids = $this->all()->limit($few + 1)->pluck($column)->all();

        return count($ids) > $few ? null : array_values(array_map(intval(...), $ids));
    }

    /**
     * That a record belongs to it, or is about somebody who does: as a condition over "records" alone.
     *
     * @return array{string, list<scalar>} SQL, and its bindings
     */
    public function ofRecords(): array
    {
        return $this->over('select 1 from people where people.id = records.person_id', ! $this->isOfPeople());
    }

    /**
     * That somebody belongs to it, or has a record that does: as a condition over "people" alone.
     *
     * @return array{string, list<scalar>} SQL, and its bindings
     */
    public function ofPeople(): array
    {
        return $this->over('select 1 from records where records.person_id = people.id', $this->isOfPeople());
    }

    /**
     * @param  string  $others  where it is of others: those of a row
     * @return array{string, list<scalar>}
     */
    private function over(string $others, bool $isTheirs): array
    {
        $all = $this->all();
        $where = substr($all->getGrammar()->compileWheres($all), strlen('where '));
        /** @var list<scalar> $bindings */
        $bindings = array_values($all->getBindings());

        return [$isTheirs ? "($where)" : "exists ($others and ($where))", $bindings];
    }

    /**
     * Those of some who belong to it, as the engine says.
     *
     * @param  list<int>  $ids  of people or records
     * @return list<int>
     */
    public function among(array $ids): array
    {
        $reader = $this->unit->reader;
        $events = new DomainEventReader($reader);
        if ($this->isOfPeople()) {
            $reader->preload($ids);
        } else {
            $reader->preloadRecords($ids);
            $reader->preload(array_values(array_unique(array_filter(
                array_map(fn (int $id): ?int => $reader->record($id)?->personId, $ids),
            ))));
        }
        $related = Conditions::relatedTypes($this->audience->condition);
        $lastTexts = Conditions::asksForTexts($this->audience->condition);

        return array_values(array_filter($ids, function (int $id) use ($reader, $events, $related, $lastTexts): bool {
            $subject = $this->isOfPeople() ? new Subject($id) : $events->subject(null, $reader->record($id));

            return $this->audience->condition
                ->weigh($this->unit->contexts->create($subject, null, $related, lastTexts: $lastTexts))->holds();
        }));
    }

    public function isOfPeople(): bool
    {
        return $this->audience->of === CoreType::PERSON;
    }

    /** @return list<int>|null null where they are too many to ask about each */
    private function asked(): ?array
    {
        if ($this->asked === false) {
            $table = $this->isOfPeople() ? 'people' : 'records';
            $ids = $this->narrowed->clone()->orderBy("$table.id")->limit(self::ASKED + 1)->pluck("$table.id")->all();
            $this->asked = count($ids) > self::ASKED ? null : $this->among(array_values(array_map(intval(...), $ids)));
        }

        return $this->asked;
    }
}
