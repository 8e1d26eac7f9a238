<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Gate\Check\Budget;
use Linnet\Core\Gate\Check\Capped;
use Linnet\Core\Gate\Check\Check;
use Linnet\Core\Gate\Check\Consent;
use Linnet\Core\Gate\Check\DecentHours;
use Linnet\Core\Gate\Check\Duplicate;
use Linnet\Core\Gate\Check\LineHealth;
use Linnet\Core\Gate\Check\Pacing;
use Linnet\Core\Gate\Check\Reachable;
use Linnet\Core\Gate\Check\Stale;
use Linnet\Core\Gate\Check\StandingCondition;
use Linnet\Core\Gate\Check\SwitchedOn;

/** The checks every text passes at the moment of sending, in order; the first that does not pass it decides. */
final class Gate
{
    public static function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Judgement
    {
        $verdicts = [];
        foreach (self::checks($text->origin) as $check) {
            $verdicts[] = $verdict = $check->judge($text, $policy, $now);
            if ($verdict->say !== Say::Pass) {
                break;
            }
        }

        return new Judgement($verdicts);
    }

    /** @return non-empty-list<Check> */
    private static function checks(TextOrigin $origin): array
    {
        return match ($origin) {
            TextOrigin::Rule => [
                new SwitchedOn, new Reachable, new Consent, new StandingCondition, new Stale, new Duplicate, new Capped,
                new DecentHours, new Budget, new Pacing, new LineHealth,
            ],
            // A person answers for what they type; the line's own limits hold for everybody.
            TextOrigin::Staff, TextOrigin::Notice => [new SwitchedOn, new Reachable, new Consent, new Pacing, new LineHealth],
            // The answer a word gets is owed at once.
            TextOrigin::Words => [new SwitchedOn, new Reachable, new Consent],
        };
    }
}
