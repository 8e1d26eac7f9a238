<?php

declare(strict_types=1);

namespace App\Counts;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What people answered to the questions of a rule, by the runs in which they did. */
final class AnswerCounts
{
    /**
     * @param  \DateTimeImmutable  $since  answers that came from then on
     * @return Collection<int, \stdClass> put_to_step, answer (null where none fitted) and many; what was answered most first, by step
     */
    public static function ofRule(int $rule, \DateTimeImmutable $since): Collection
    {
        $put = fn (): Builder => DB::table('messages')->where('put_to_rule_id', $rule);
        $counted = DB::getDriverName() === 'pgsql'
            ? $put()->where('at', '>=', $since)->groupBy('put_to_step', 'answer')
                ->selectRaw('put_to_step, answer, count(distinct put_to_run_id) as many')
            // Answer by answer, in the order of their index: a run that said the same twice is passed over without being remembered.
            : DB::query()->fromSub($put()->select('put_to_step', 'answer')->distinct(), 'given')->select('put_to_step', 'answer')
                ->selectSub(
                    DB::query()->fromSub(
                        $put()->whereColumn('put_to_step', 'given.put_to_step')->whereRaw('answer is given.answer')
                            ->where('at', '>=', $since)->select('put_to_run_id')->distinct(),
                        'runs',
                    )->selectRaw('count(*)'),
                    'many',
                );

        return $counted->orderBy('put_to_step')->orderByDesc('many')->get()->where('many', '>', 0)->values();
    }
}
