<?php

declare(strict_types=1);

namespace Linnet\Core\Text;

/** How long one text is over many people. */
final readonly class Bounds
{
    /**
     * @param  int  $people  whom it can be said to
     * @param  int  $shortest  units, as the median and the longest
     * @param  int  $fewest  parts of most of them
     * @param  int  $over  how many need more parts than the shortest does
     * @param  int  $most  parts of the longest
     * @param  int  $lacking  for whom something is missing
     */
    private function __construct(
        public int $people,
        public int $shortest,
        public int $median,
        public int $longest,
        public int $fewest,
        public int $over,
        public int $most,
        public int $lacking,
    ) {
    }

    /**
     * @param  list<array{Length, int}>  $lengths  each with how many people it is so long for
     * @param  int  $lacking  people for whom a value is missing
     * @return self|null null where it can be said to nobody
     */
    public static function of(array $lengths, int $lacking = 0): ?self
    {
        if ($lengths === []) {
            return null;
        }
        // By cost first: a few signs of the larger alphabet can cost more than many letters.
        usort($lengths, fn (array $one, array $other): int => [$one[0]->parts, $one[0]->units] <=> [$other[0]->parts, $other[0]->units]);
        $people = array_sum(array_column($lengths, 1));
        $fewest = $lengths[0][0]->parts;
        $over = array_sum(array_map(fn (array $one): int => $one[0]->parts > $fewest ? $one[1] : 0, $lengths));
        $last = $lengths[count($lengths) - 1][0];

        return new self(
            $people, $lengths[0][0]->units, self::at($lengths, intdiv($people + 1, 2))->units, $last->units, $fewest, $over, $last->parts,
            $lacking,
        );
    }

    /**
     * The length of the so-manieth.
     *
     * @param  non-empty-list<array{Length, int}>  $lengths  in order
     */
    private static function at(array $lengths, int $place): Length
    {
        foreach ($lengths as [$length, $people]) {
            $place -= $people;
            if ($place <= 0) {
                return $length;
            }
        }

        return $lengths[count($lengths) - 1][0];
    }
}
