<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Gate\Check\Check;
use Linnet\Core\Gate\Check\Consent;
use Linnet\Core\Gate\Check\DecentHours;
use Linnet\Core\Gate\Check\Duplicate;
use Linnet\Core\Gate\Check\Reachable;
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
    private static function checks(Origin $origin): array
    {
        $always = [new SwitchedOn, new Reachable, new Consent];

        return $origin === Origin::Rule ? [...$always, new Duplicate, new DecentHours] : $always;
    }
}
