<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\Day;
use App\Counts\AnswerCounts;
use App\Models\Rule;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rule\Step\Ask;

/** What people answered to the questions of a rule since a day. */
final class Answers
{
    /** @return list<array{string, string, int, string}> text, answer, in how many runs, and what those are asked for by */
    public static function of(Rule $rule, Day $since): array
    {
        $written = $rule->written();
        $letters = RuleWriter::targets($written)[1];
        $answers = [];
        foreach (AnswerCounts::ofRule($rule->id, $since->begins) as $row) {
            $step = $written->flow->step((string) $row->put_to_step);
            $label = match (true) {
                $row->answer === null => 'none of the answers',
                $step instanceof Ask => $step->answers[(int) $row->answer]->label ?? 'an answer of an earlier version',
                default => 'an answer of an earlier version',
            };
            $answers[] = [$letters[(string) $row->put_to_step] ?? '', $label, (int) $row->many, "$row->put_to_step/$row->answer"];
        }

        return $answers;
    }
}
