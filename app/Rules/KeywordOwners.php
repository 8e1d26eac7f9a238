<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule as Core;

/** Two rules that are on may not listen for the same word on the same line. */
final class KeywordOwners
{
    /** @throws ValidationException naming the rule that has the word already */
    public static function check(Rule $rule, Core $read): void
    {
        $listens = $read->trigger->listens();
        if ($listens === null) {
            return;
        }
        foreach (
            Rule::query()->where('power', ActivationState::On)->whereKeyNot($rule->id)->with('version')->orderBy('name')->get() as $other
        ) {
            $theirs = $other->version?->read()->trigger->listens();
            $shared = $theirs === null ? [] : $listens->shared($theirs);
            if ($shared !== []) {
                throw ValidationException::withMessages([
                    'power' => 'The rule “'.
                        $other->name.
                        '” already listens for “'.
                        implode('”, “', $shared).
                        '” on the same line. Take the word out of one of them, or switch that rule off.',
                ]);
            }
        }
    }
}
