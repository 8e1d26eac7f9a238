<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule as Core;
use Linnet\Core\Rule\Trigger\TextReceived;

/** Two rules that are on may not listen for the same word on the same line. */
final class KeywordOwners
{
    /** @throws ValidationException naming the rule that has the word already */
    public static function check(Rule $rule, Core $read): void
    {
        if (! $read->trigger instanceof TextReceived) {
            return;
        }
        foreach (
            Rule::query()->where('power', ActivationState::On)->whereKeyNot($rule->id)->with('version')->orderBy('name')->get() as $other
        ) {
            $trigger = $other->version?->read()->trigger;
            if (
                ! ($trigger instanceof TextReceived) ||
                ($read->trigger->lines !== [] && $trigger->lines !== [] && array_intersect($read->trigger->lines, $trigger->lines) === [])
            ) {
                continue;
            }
            $shared = $read->trigger->keywords->shared($trigger->keywords);
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
