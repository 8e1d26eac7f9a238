<?php

declare(strict_types=1);

namespace Linnet\Core\Forecast;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\Say;
use Linnet\Core\InMemory\InMemoryEngine;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Reason;

/** What comes, as things stand: the live engine goes on on paper from where life is, and nobody answers or changes anything. */
final class Forecast
{
    /**
     * @param  Sheet  $sheet  life as it is now: who is there, what is under way, what waits for its moment
     * @param  \DateTimeImmutable  $until  what waits now and will still wait then is said with the moment it is asked about again
     * @return list<ComingText> to people, those that leave first, in their order, and then those that wait for somebody
     */
    public static function of(Sheet $sheet, \DateTimeImmutable $until): array
    {
        $settled = array_filter($sheet->texts, fn (OutText $text): bool => ! $text->status()->isWaiting());
        $underWay = $sheet->runs;
        $held = array_map(fn (OutText $text): ?Reason => $text->reason, array_diff_key($sheet->texts, $settled));
        $engine = new InMemoryEngine($sheet);
        $engine->settle();
        $engine->until($until);

        $coming = $asked = [];
        foreach (array_diff_key($sheet->texts, $settled) as $key => $text) {
            $run = $text->run;
            $later = $sheet->agenda->dueAt("text:$key");
            // What somebody decided of it can be taken back as long as its moment has not come.
            $leftOut = $text->state === TextState::Dropped && $text->own() !== null;
            // What stands aside waits for somebody to give it back.
            if ($run === null || $run->state->aside || $text->to->personId === null) {
                continue;
            }
            if ($text->state === TextState::Dropped && ! $leftOut) {
                continue;
            }
            // What comes up by then and has still to wait is left to a forecast that looks further.
            if ($later !== null && $text->id === null) {
                continue;
            }
            $begun = isset($underWay[$run->id]);
            $leaves = $text->state === TextState::Left;
            $coming[] = new ComingText(
                $text, $begun, $leaves || $leftOut ? $text->settledAt : ($later === null ? null : $until->setTimestamp($later)),
                $leaves ? self::lastHold($text) ?? $held[$key] ?? null : $text->reason,
                $leftOut ? [] : Dependencies::of($text, $run, $begun, isset($asked[$run->id]), $sheet->configuration->business->zone),
                $leftOut,
            );
            $asked += $text->expectsReply && ! $leftOut ? [$run->id => true] : [];
        }
        usort(
            $coming,
            fn (ComingText $a, ComingText $b): int => [$a->leavesAt === null, $a->leavesAt] <=> [$b->leavesAt === null, $b->leavesAt],
        );

        return $coming;
    }

    private static function lastHold(OutText $text): ?Reason
    {
        foreach (array_reverse($text->judgements) as $judgement) {
            if ($judgement->verdict()->say === Say::Hold) {
                return $judgement->verdict()->reason;
            }
        }

        return null;
    }
}
