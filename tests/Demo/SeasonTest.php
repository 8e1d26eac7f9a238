<?php

declare(strict_types=1);

namespace Tests\Demo;

use Demo\People;
use Demo\Season\Answers;
use Demo\Season\Event;
use Demo\Season\Season;
use Linnet\Core\Number\Numbers;
use Tests\Feature\TestCase;

final class SeasonTest extends TestCase
{
    public function testTheSameSeasonComesEveryTimeInTheOrderOfTime(): void
    {
        $tell = fn (Event $event): string => $event->at->format('c')." $event->type $event->id $event->number ".json_encode($event->fields);
        $one = array_map($tell, iterator_to_array((new Season(400))->events(), false));
        $moments = array_map(fn (string $told): int => (new \DateTimeImmutable(strtok($told, ' ') ?: ''))->getTimestamp(), $one);
        $sorted = $moments;
        sort($sorted);

        self::assertSame($one, array_map($tell, iterator_to_array((new Season(400))->events(), false)));
        self::assertSame($sorted, $moments);
        self::assertGreaterThan(3000, count($one));
        self::assertSame(
            Answers::to('Still coming? Answer YES or CANCEL.', self::WEN),
            Answers::to('Still coming? Answer YES or CANCEL.', self::WEN),
        );
    }

    public function testEverybodyHasANumberOfTheirOwnThatIsKeptForFiction(): void
    {
        $numbers = array_column(People::town(400), 'number');

        self::assertCount(400, array_unique($numbers));
        foreach ($numbers as $number) {
            self::assertMatchesRegularExpression(
                '/^\+(447700900\d{3}|442079460\d{3}|1\d{3}55501\d\d|61491(570006|57015[6-9]|570110|570313|570737|571266|571491)|3363998\d{4}|35320910\d{4}|441632960\d{3})$/',
                $number,
            );
            self::assertSame($number, Numbers::read($number, 'GB')->e164);
        }
        self::assertCount(3000, array_unique(array_column(People::town(3000), 'number')));
    }
}
