<?php

declare(strict_types=1);

namespace Linnet\Core\Forecast;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use Linnet\Core\InMemory\InMemoryEngine;
use Linnet\Core\InMemory\Sheet;

/** What comes, as things stand: the live engine goes on on paper from where life is, and nobody answers or changes anything. */
final class Forecast
{
    /**
     * @param  Sheet  $sheet  life as it is now: who is there, what is under way, what waits for its moment
     * @return list<ComingText> to people, those that leave first, in their order, and then those that wait for somebody
     */
    public static function of(Sheet $sheet, \DateTimeImmutable $until): array
    {
        $settled = array_filter($sheet->texts, fn (OutText $text): bool => ! $text->status()->isWaiting());
        $underWay = $sheet->runs;
        $engine = new InMemoryEngine($sheet);
        $engine->settle();
        $engine->until($until);

        $coming = $asked = [];
        foreach (array_diff_key($sheet->texts, $settled) as $key => $text) {
            $run = $text->run;
            if ($run === null || $text->to->personId === null || $text->state === TextState::Dropped || $sheet->agenda->has("text:$key")) {
                continue;
            }
            $begun = isset($underWay[$run->id]);
            $coming[] = new ComingText(
                $text, $begun, $text->state === TextState::Left ? $text->settledAt : null,
                Dependencies::of($text, $run, $begun, isset($asked[$run->id]), $sheet->configuration->business->zone),
            );
            $asked += $text->expectsReply ? [$run->id => true] : [];
        }
        usort(
            $coming,
            fn (ComingText $a, ComingText $b): int => [$a->leavesAt === null, $a->leavesAt] <=> [$b->leavesAt === null, $b->leavesAt],
        );

        return $coming;
    }
}
