<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use Linnet\Core\Record\Pace;

/** How many texts of a line have to wait for one another by its pace, and how long the last does: by the rule by which it will be. */
final readonly class Queue
{
    /** @param  int  $longest  in seconds */
    private function __construct(public int $wait, public int $longest)
    {
    }

    /** @param  list<\DateTimeImmutable>  $moments  when each would leave if there were room, the earliest first */
    public static function of(Pace $pace, array $moments): self
    {
        $departed = [];
        $wait = $longest = 0;
        foreach ($moments as $turn => $moment) {
            $back = [];
            foreach ($pace->looksBack($moment) as $k) {
                if ($k <= count($departed)) {
                    $back[$k] = $departed[count($departed) - $k];
                }
            }
            $leaves = $pace->slot($moment, $back, $turn)->getTimestamp();
            $departed[] = $leaves;
            $late = $leaves - $moment->getTimestamp();
            $wait += (int) ($late > 0);
            $longest = max($longest, $late);
        }

        return new self($wait, $longest);
    }
}
