<?php

declare(strict_types=1);

namespace App\Rules;

use App\Database\DistinctValues;
use App\Engine\Store\UnitOfWork;
use App\Models\Form;
use App\Models\Rule;
use Linnet\Core\Check\Checks;
use Linnet\Core\Check\Finding;
use Linnet\Core\Check\Question;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Rule as Core;

/** A rule checked against the business as it is: its records, lines, people, and the rules that are on beside it. */
final class Checking
{
    /** So many of those it reaches are looked at. */
    public const REACHED = 400;

    /**
     * @param  Rule|null  $itself  which is not held against itself
     * @return list<Finding>
     */
    public static function of(Core $rule, UnitOfWork $unit, ?Rule $itself = null): array
    {
        return Checks::findings(self::question($rule, $unit, $itself));
    }

    /**
     * @param  Rule|null  $itself  which is not held against itself
     * @param  Reach|null  $reach  whom it would begin for, where that was asked already
     * @param  int  $most  so many of those at most are looked at, the newest
     */
    public static function question(
        Core $rule,
        UnitOfWork $unit,
        ?Rule $itself = null,
        ?Reach $reach = null,
        int $most = self::REACHED,
    ): Question {
        $known = $unit->reader;
        $examples = new ExampleWorld($unit);
        $others = Rule::query()
            ->where('power', ActivationState::On)
            ->when($itself !== null, fn ($rules) => $rules->whereKeyNot($itself?->id))
            ->with('version')
            ->orderBy('name')
            ->get();

        return new Question(
            rule: $rule,
            business: $known->business(),
            policy: $known->policy(),
            words: $known->words(),
            types: $known->types(),
            lines: $known->lines(),
            staff: array_column($known->allStaff(), 'email'),
            others: array_values(array_filter($others->map(fn (Rule $one): ?Core => $one->version?->read())->all())),
            forms: array_values(array_map(strval(...), Form::query()->pluck('key')->all())),
            pools: $known->pools(),
            audiences: $known->audiences(),
            codes: DistinctValues::of('codes', 'list'),
            reached: ($reach ?? new Reach($unit, $rule))->reached($most),
            examples: array_map(fn (Example $one): array => [$one, $examples->run($rule, $one)->came()], $rule->examples),
        );
    }
}
