<?php

declare(strict_types=1);

namespace App\View\Rules;

use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Texting;

/** The letter of each text of a rule, on the time line and in the prose. */
final class Letters
{
    /** @return array<string, string> by the step's id */
    public static function of(Rule $rule): array
    {
        $letters = [];
        foreach ($rule->flow->steps as $step) {
            if ($step instanceof Texting) {
                $i = count($letters);
                $letters[$step->id()] = ($i < 26 ? '' : chr(ord('a') + intdiv($i, 26) - 1)).chr(ord('a') + $i % 26);
            }
        }

        return $letters;
    }
}
