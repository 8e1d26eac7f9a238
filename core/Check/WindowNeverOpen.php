<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Time\WeeklyHours;

/** Hours in which a text can never leave: nothing is open in the week, or never at once with its line. */
final class WindowNeverOpen implements Check
{
    public function findings(Question $of): iterable
    {
        foreach ($of->rule->flow->texts() as $step) {
            $decent = $step->outgoing()->kind === TextKind::Marketing ? $of->policy->marketingHours : $of->policy->serviceHours;
            $tables = [$decent];
            foreach ($step->outgoing()->from->keys as $key) {
                $hours = $of->line($key)?->hours;
                $tables = $hours === null ? $tables : [$decent, $hours];
            }
            if (! self::isEverOpen($tables)) {
                yield new Finding(
                    new Reason(count($tables) > 1 ? 'check.line_never_open' : 'check.never_open', [
                        'kind' => $step->outgoing()->kind->value,
                    ]),
                    true,
                    $step->id(),
                );
            }
        }
    }

    /** @param  list<WeeklyHours>  $tables */
    private static function isEverOpen(array $tables): bool
    {
        foreach (WeeklyHours::DAYS as $day) {
            $open = array_map(fn (WeeklyHours $hours): array => $hours->week[$day] ?? [], $tables);
            foreach ($open[0] as [$from, $to]) {
                foreach ($open[1] ?? [[$from, $to]] as [$other, $until]) {
                    if (max($from->minutes, $other->minutes) < min($to->minutes, $until->minutes)) {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
