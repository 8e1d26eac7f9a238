<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Wording;

/**
 * How many of how many, with the interval in which the true share lies with a confidence of 95 %: the score interval of
 * E. B. Wilson, Journal of the American Statistical Association 22 (1927), 209-212.
 */
final readonly class Share
{
    private const Z = 1.959963984540054;

    public float $low;

    public float $high;

    /**
     * @param  int  $times  0 to $of
     * @param  int  $of  0 tells nothing: from 0 to 1
     */
    public function __construct(public int $times, public int $of)
    {
        if ($of < 1) {
            $this->low = 0.0;
            $this->high = 1.0;

            return;
        }
        $share = $times / $of;
        $square = self::Z ** 2;
        $middle = $share + $square / (2 * $of);
        $spread = self::Z * sqrt($share * (1 - $share) / $of + $square / (4 * $of ** 2));
        $this->low = $times === 0 ? 0.0 : ($middle - $spread) / (1 + $square / $of);
        $this->high = $times === $of ? 1.0 : ($middle + $spread) / (1 + $square / $of);
    }

    /** Surely more: the intervals do not touch. */
    public function beats(self $other): bool
    {
        return $this->of > 0 && $other->of > 0 && $this->low > $other->high;
    }

    /**
     * The one that beats all others, if there is one.
     *
     * @param  array<array-key, self>  $shares
     */
    public static function best(array $shares): int|string|null
    {
        foreach ($shares as $key => $share) {
            $others = array_diff_key($shares, [$key => 0]);
            if ($others !== [] && array_filter($others, fn (self $other): bool => ! $share->beats($other)) === []) {
                return $key;
            }
        }

        return null;
    }
}
