<?php

declare(strict_types=1);

namespace Tests\Core\Text;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\Wording\Used;
use Linnet\Core\Text\Wording\Wordings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WordingsTest extends TestCase
{
    /**
     * @param  array<string, int>  $times
     * @param  array<string, int>  $byPerson
     * @param  array<string, int>  $most
     */
    #[DataProvider('turns')]
    public function testTakeTurns(string $turns, array $times, array $byPerson, int $round, array $most, ?string $expected): void
    {
        self::assertSame($expected, self::wordings($turns, $most)->choose([], new Used($times, $byPerson), 'seed', $round)?->id);
    }

    /** @return iterable<string, array<mixed>> */
    public static function turns(): iterable
    {
        yield 'always the first' => ['first', ['a' => 9], [], 3, [], 'a'];
        yield 'the first there is left' => ['first', ['a' => 2], [], 1, ['a' => 2], 'b'];
        yield 'in turn: the least used' => ['in_turn', ['a' => 2, 'b' => 1, 'c' => 1], [], 1, [], 'b'];
        yield 'in turn: round again' => ['in_turn', ['a' => 2, 'b' => 2, 'c' => 2], [], 1, [], 'a'];
        yield 'in turn: past one that is used up' => ['in_turn', ['a' => 1, 'b' => 2, 'c' => 1], [], 1, ['a' => 1], 'c'];
        yield 'each time round' => ['by_round', [], [], 2, [], 'b'];
        yield 'each time round, and round again' => ['by_round', [], [], 4, [], 'a'];
        yield 'none twice for a person until all were used' => ['no_repeat', ['a' => 50], ['b' => 1, 'c' => 1], 1, [], 'a'];
        yield 'all used up, and nothing closes' => ['first', ['a' => 1, 'b' => 1, 'c' => 1], [], 1, ['a' => 1, 'b' => 1, 'c' => 1], null];
    }

    public function testWhatClosesIsSaidWhenAllAreUsedUp(): void
    {
        $wordings = Wordings::read(
            Doc::of(['wordings' => [['id' => 'a', 'text' => 'A', 'most' => 1]], 'closing' => ['id' => 'z', 'text' => 'Z']]),
        );

        self::assertSame('z', $wordings->choose([], new Used(['a' => 1]), 's', 1)?->id);
    }

    public function testChanceFollowsTheWeightsAndTheSeed(): void
    {
        $wordings = Wordings::read(
            Doc::of([
                'turns' => 'by_weight',
                'wordings' => [
                    ['id' => 'a', 'text' => 'A', 'weight' => 3],
                    ['id' => 'b', 'text' => 'B'],
                    ['id' => 'c', 'text' => 'C', 'weight' => 0],
                ],
            ]),
        );
        $seen = ['a' => 0, 'b' => 0, 'c' => 0];
        for ($i = 0; $i < 4000; $i++) {
            $chosen = $wordings->choose([], new Used, "run $i", 1);
            self::assertSame($chosen, $wordings->choose([], new Used, "run $i", 1));
            $seen[$chosen->id ?? ''] = ($seen[$chosen->id ?? ''] ?? 0) + 1;
        }

        self::assertEqualsWithDelta(3000, $seen['a'], 120);
        self::assertSame(0, $seen['c']);
    }

    public function testASharedPoolGivesItsOwn(): void
    {
        $wordings = Wordings::read(Doc::of(['pool' => 'level', 'turns' => 'in_turn']));
        $pool = [self::wordings('first', [])->own[1]];

        self::assertSame('b', $wordings->choose($pool, new Used, 's', 1)?->id);
    }

    /** @param  array<string, int>  $most */
    private static function wordings(string $turns, array $most): Wordings
    {
        return Wordings::read(
            Doc::of([
                'turns' => $turns,
                'wordings' => array_map(
                    fn (string $id): array => ['id' => $id, 'text' => strtoupper($id)] + (isset($most[$id]) ? ['most' => $most[$id]] : []),
                    ['a', 'b', 'c'],
                ),
            ]),
        );
    }
}
