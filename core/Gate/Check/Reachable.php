<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;

/** There is a number, texts can arrive there, and the line sends to its country. */
final class Reachable implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $with = ['who' => $text->to->who, 'number' => $text->to->number ?? ''];

        return match (true) {
            $text->to->number === null => Verdict::drop(new Reason('gate.no_number', $with)),
            ! $text->to->kind->takesTexts() => Verdict::drop(new Reason('gate.number_'.$text->to->kind->value, $with)),
            $text->to->alive === false => Verdict::drop(new Reason('gate.number_dead', $with)),
            $text->lineCountries !== [] && ! in_array($text->to->country, $text->lineCountries, true) => Verdict::drop(
                new Reason('gate.line_abroad', $with + ['line' => $text->lineName, 'country' => $text->to->country]),
            ),
            default => Verdict::pass(new Reason('gate.number_kind_'.$text->to->kind->value, $with)),
        };
    }
}
