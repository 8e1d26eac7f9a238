<?php

declare(strict_types=1);

namespace Tests\Core\Text;

use Linnet\Core\Text\Wording\Share;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ShareTest extends TestCase
{
    /** Checked against the closed form by hand; the first row is the textbook's (0 of 10 reaches up to 27.8 %). */
    #[DataProvider('shares')]
    public function testTheIntervalIsWilsons(int $times, int $of, float $low, float $high): void
    {
        $share = new Share($times, $of);

        self::assertEqualsWithDelta([$low, $high], [$share->low, $share->high], 0.0005);
    }

    /** @return iterable<string, array{int, int, float, float}> */
    public static function shares(): iterable
    {
        yield 'none of ten' => [0, 10, 0.0, 0.2775];
        yield 'one of ten' => [1, 10, 0.0179, 0.4042];
        yield 'half of ten' => [5, 10, 0.2366, 0.7634];
        yield 'all of ten' => [10, 10, 0.7225, 1.0];
        yield 'half of a thousand' => [500, 1000, 0.4691, 0.5309];
        yield 'nothing known' => [0, 0, 0.0, 1.0];
    }

    public function testNoWinnerIsClaimedWhileItMayBeChance(): void
    {
        self::assertNull(Share::best(['a' => new Share(6, 20), 'b' => new Share(3, 20)]));
        self::assertSame('a', Share::best(['a' => new Share(60, 200), 'b' => new Share(20, 200)]));
        // Better than the worst is not enough: it has to beat every other.
        self::assertNull(Share::best(['a' => new Share(60, 200), 'b' => new Share(20, 200), 'c' => new Share(55, 200)]));
        self::assertNull(Share::best(['a' => new Share(60, 200), 'b' => new Share(0, 0)]));
        self::assertNull(Share::best(['a' => new Share(60, 200)]));
    }
}
