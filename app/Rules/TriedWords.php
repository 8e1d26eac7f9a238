<?php

declare(strict_types=1);

namespace App\Rules;

use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Rule;

/** A rule in which one text says certain words, whatever its wordings are: for trying them while they are typed. */
final class TriedWords
{
    /** @throws Unreadable */
    public static function in(Rule $rule, string $step, string $words): Rule
    {
        return StepDocument::replace(
            $rule,
            $step,
            fn (array $one): array => ['wordings' => [['id' => 'tried', 'text' => $words]]] +
                array_diff_key($one, ['pool' => 1, 'turns' => 1, 'closing' => 1]),
        );
    }
}
