<?php

declare(strict_types=1);

namespace Tests\Core\Rule;

use Linnet\Core\Rule\Further;
use Linnet\Core\Rule\Step\Step;
use PHPUnit\Framework\TestCase;
use Tests\Support\Rules;

final class FurtherTest extends TestCase
{
    public function testOnlyTheSameSequenceWithMoreBehindItHasAFurtherStep(): void
    {
        $was = Rules::whenCallIsMissed()->text('First')->build();
        $more = Rules::whenCallIsMissed()->text('First')->wait(1, 'days')->text('Second')->build();
        $other = Rules::whenCallIsMissed()->wait(1, 'days')->text('First')->text('Second')->build();
        $ids = array_map(fn (Step $step): string => $step->id(), $more->steps);

        self::assertSame($ids[count($was->steps)], Further::step($was, $more));
        self::assertNull(Further::step($was, $was));
        self::assertNull(Further::step($more, $was));
        self::assertSame(
            array_slice($ids, count($was->steps)),
            array_map(fn (Step $step): string => $step->id(), Further::alone($more, $ids[count($was->steps)])->steps ?? []),
        );
        self::assertNull(Further::alone($more, 'nowhere'));
        self::assertSame($other->steps[1]->id(), Further::step(Rules::whenCallIsMissed()->wait(1, 'days')->build(), $other));
    }
}
