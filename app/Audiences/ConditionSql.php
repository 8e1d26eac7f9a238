<?php

declare(strict_types=1);

namespace App\Audiences;

use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Consented;
use Linnet\Core\Rule\Condition\FieldTest;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\HasRelated;
use Linnet\Core\Rule\Condition\InAudience;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Condition\Labelled;
use Linnet\Core\Rule\Condition\NumberTest;
use Linnet\Core\Rule\Condition\Reached;

/**
 * A condition as the database can ask it of many at once, three-valued as the condition is: what is unknown is null. What it cannot ask
 * exactly as the engine does it does not ask; then it lets too many through, and the engine is asked about each of those.
 */
final class ConditionSql
{
    private const NULL = 'cast(null as boolean)';

    private readonly FieldSql $fields;

    /**
     * @param  string  $type  what is asked about: a type of record, or "person"
     * @param  string  $person  the id of the person, in SQL
     * @param  array<string, Audience>  $audiences  by name
     */
    public function __construct(
        private readonly string $type,
        private readonly string $person,
        private readonly Names $names,
        private readonly array $audiences,
    ) {
        $this->fields = new FieldSql($type, $person, $names);
    }

    /**
     * All for whom it holds, and maybe more.
     *
     * @return array{Sql, bool} and whether there are no more
     */
    public function narrow(Condition $condition): array
    {
        $exact = $this->holding($condition);
        if ($exact !== null) {
            return [$exact, true];
        }
        $parts = $condition instanceof Group && $condition->joined === Joined::All
            ? array_map(fn (Condition $part): Sql => $this->narrow($part)[0], $condition->parts)
            : [];

        return [Sql::all($parts), false];
    }

    /** The same where it only matters whether it holds, and not whether it is unknown: a span of time is asked of its field's index. */
    private function holding(Condition $condition): ?Sql
    {
        if ($condition instanceof FieldTest) {
            return $this->fields->span($condition) ?? $this->exact($condition);
        }
        if (! $condition instanceof Group || $condition->joined !== Joined::All) {
            $exact = $this->exact($condition);

            return $exact === null ? null : Sql::all([...$this->within($condition), $exact]);
        }
        $parts = $this->each($condition, $this->holding(...));

        return $parts === null ? null : Sql::all($parts);
    }

    /**
     * @param  \Closure(Condition): (Sql|null)  $asked
     * @return list<Sql>|null null where one of them cannot be asked exactly
     */
    private function each(Group $group, \Closure $asked): ?array
    {
        $parts = array_values(array_filter(array_map($asked, $group->parts)));

        return count($parts) === count($group->parts) ? $parts : null;
    }

    /** @return list<Sql> what holds wherever it does, and is found by the index of a field */
    private function within(Condition $condition): array
    {
        $all = $condition instanceof Group && $condition->joined === Joined::All ? $condition->parts : [];
        $audience = $condition instanceof InAudience && $condition->has ? $this->audiences[$condition->name] ?? null : null;

        return match (true) {
            $all !== [] => array_merge(...array_map($this->within(...), $all)),
            $condition instanceof FieldTest => array_values(array_filter([$this->fields->span($condition)])),
            $audience?->of === $this->type => $this->within($audience->condition),
            default => [],
        };
    }

    private function exact(Condition $condition): ?Sql
    {
        return match (true) {
            $condition instanceof Group => $this->group($condition),
            $condition instanceof FieldTest => $this->fields->test($condition),
            $condition instanceof Labelled => $this->labelled($condition),
            $condition instanceof Consented => $this->consented($condition),
            $condition instanceof Reached => $this->reached($condition->test),
            $condition instanceof HasRelated => $this->related($condition),
            $condition instanceof InAudience => $this->belongs($condition),
            default => null,
        };
    }

    private function group(Group $group): ?Sql
    {
        $parts = $this->each($group, $this->exact(...));

        return $parts === null ? null : match ($group->joined) {
            Joined::All => Sql::all($parts),
            Joined::Any => Sql::any($parts),
            Joined::None => Sql::any($parts)->not(),
        };
    }

    private function labelled(Labelled $asked): Sql
    {
        $is = new Sql(
            "exists (select 1 from labels where labels.person_id = $this->person and labels.kind = ? and labels.folded = ?)",
            [$asked->kind->value, mb_strtolower($asked->name, 'UTF-8')],
        );

        return $asked->has ? $is : $is->not();
    }

    private function consented(Consented $asked): Sql
    {
        [$scope, $act] = $asked->marketing ? ['marketing', 'granted'] : ['all', 'withdrawn'];
        $is = new Sql(
            'coalesce((select consents.act from consents where consents.number = '.$this->number('e164').
                ' and consents.scope = ? order by consents.id desc limit 1) = ?, 1 = 0)',
            [$scope, $act],
        );

        return $asked->has ? $is : $is->not();
    }

    private function reached(NumberTest $test): Sql
    {
        $none = new Sql($this->number('id').' is null');
        $known = match ($test) {
            NumberTest::None => Sql::always(false),
            NumberTest::Alive, NumberTest::Dead => new Sql(
                $this->number('alive').' = ?', [$test === NumberTest::Alive],
            ),
            NumberTest::Mobile, NumberTest::Landline => new Sql(
                "nullif(nullif({$this->number('kind')}, 'unknown'), 'either') = ?", [$test->value],
            ),
        };

        return $test === NumberTest::None ? $none : new Sql(
            "case when $none->sql then 1 = 0 else $known->sql end", [...$none->bindings, ...$known->bindings],
        );
    }

    /** Of the number texts go to. */
    private function number(string $column): string
    {
        return "(select numbers.$column from numbers where numbers.person_id = $this->person order by numbers.rank desc, numbers.id limit 1)";
    }

    private function related(HasRelated $asked): ?Sql
    {
        $type = $this->names->type($asked->type);
        // A record among its own kind: which of them is meant is not to be told apart here.
        if ($type === null || $asked->type === $this->type) {
            return null;
        }
        $alias = "of_$type->id";
        $that = $asked->that === null
            ? Sql::always(true)
            : (new self($asked->type, $this->person, $this->names, $this->audiences))->exact($asked->that);
        if ($that === null) {
            return null;
        }
        $exists = fn (string $sql): string => "exists (select 1 from records as $alias where $alias.person_id = $this->person ".
            "and $alias.record_type_id = $type->id and $sql)";
        $sql = new Sql(
            "case when {$exists($that->sql)} then 1 = 1 when {$exists("($that->sql) is null")} then ".self::NULL.' else 1 = 0 end',
            [...$that->bindings, ...$that->bindings],
        );

        return $asked->has ? $sql : $sql->not();
    }

    private function belongs(InAudience $asked): ?Sql
    {
        $audience = $this->audiences[$asked->name] ?? null;
        if ($audience === null) {
            return new Sql(self::NULL);
        }
        $is = in_array($audience->of, [$this->type, CoreType::PERSON], true) ? $this->exact($audience->condition) : null;

        return $asked->has ? $is : $is?->not();
    }
}
