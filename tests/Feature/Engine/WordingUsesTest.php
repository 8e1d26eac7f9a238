<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use Linnet\Core\Engine\Port\MessageStore;
use Linnet\Core\InMemory\InMemoryMessageStore;
use Linnet\Core\Text\Wording\Used;
use Tests\Feature\TestCase;
use Tests\Support\Worlds;

final class WordingUsesTest extends TestCase
{
    public function testColleaguesAreCountedAsOneInLifeAsOnPaper(): void
    {
        $counted = function (MessageStore $texts): array {
            $texts->count('1/x', 'a', null, 1);
            $texts->count('1/x', 'a', 7, 1);
            $texts->count('1/x', 'b', null, 1);
            $texts->count('1/x', 'b', null, -1);

            return array_map(fn (?int $person): Used => $texts->used('1/x', $person, false), [null, 7, 8]);
        };
        $life = UnitOfWork::transaction(
            now()->toImmutable(), resolve(DatabaseSideEffects::class), fn (UnitOfWork $unit): array => $counted($unit->texts),
        );

        self::assertEquals([new Used(['a' => 2, 'b' => 0], ['a' => 1, 'b' => 0]), new Used(['a' => 2, 'b' => 0], ['a' => 1]),
            new Used(['a' => 2, 'b' => 0], [])], $life);
        self::assertEquals($life, $counted(new InMemoryMessageStore(Worlds::boathouse()->build()->sheet())));
    }
}
