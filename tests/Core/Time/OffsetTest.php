<?php

declare(strict_types=1);

namespace Tests\Core\Time;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\Clocks;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Offset;
use Linnet\Core\Time\WorkingDays;
use Linnet\Core\Time\Zone;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class OffsetTest extends TestCase
{
    /** @param  array<string, mixed>  $offset */
    #[DataProvider('moments')]
    public function testMoments(
        string $anchor,
        array $offset,
        string $expected,
        string $theirs = 'Europe/London',
        ?string $place = null,
    ): void {
        $date = Day::parse($anchor) ?? new Moment(new \DateTimeImmutable($anchor), $place);
        $clocks = new Clocks(Zone::get($theirs), Zone::get('Europe/London'), WorkingDays::without(['2026-04-03', '2026-04-06']));
        $moment = Offset::read(Doc::of($offset))->moment($date, $clocks);

        self::assertSame($expected, $moment->format('Y-m-d H:i:s'));
    }

    /** @return iterable<string, array<mixed>> in UTC */
    public static function moments(): iterable
    {
        $o = fn (int $amount, string $unit, string $side, ?string $time = null, ?string $clock = null): array => array_filter(
            ['amount' => $amount, 'unit' => $unit, 'side' => $side, 'time' => $time, 'clock' => $clock],
            fn (mixed $v): bool => $v !== null,
        );
        yield 'two hours before' => ['2026-03-14T10:00:00Z', $o(2, 'hours', 'before'), '2026-03-14 08:00:00'];
        yield 'two hours before, over the night clocks go forward in London' => [
            '2026-03-29T02:30:00+01:00',
            $o(2, 'hours', 'before'),
            '2026-03-28 23:30:00',
        ];
        yield 'a day before keeps the clock on the wall over that night' => [
            '2026-03-29T10:00:00+01:00',
            $o(1, 'days', 'before'),
            '2026-03-28 10:00:00',
        ];
        yield 'a day after keeps it too' => ['2026-03-28T10:00:00Z', $o(1, 'days', 'after'), '2026-03-29 09:00:00'];
        yield 'a time that night skips moves forward by the gap' => ['2026-03-28T01:30:00Z', $o(1, 'days', 'after'), '2026-03-29 01:30:00'];
        yield 'over the night clocks go back in London' => ['2026-10-26T10:00:00Z', $o(1, 'days', 'before'), '2026-10-25 10:00:00'];
        yield 'a time that night repeats is its first' => ['2026-10-24T01:30:00+01:00', $o(1, 'days', 'after'), '2026-10-25 00:30:00'];
        yield 'New York goes forward on 8 March' => [
            '2026-03-07T15:00:00Z', $o(1, 'days', 'after'), '2026-03-08 14:00:00', 'America/New_York',
        ];
        yield 'New York goes back on 1 November' => [
            '2026-10-31T14:00:00Z', $o(1, 'days', 'after'), '2026-11-01 15:00:00', 'America/New_York',
        ];
        yield 'Sydney goes back on 5 April' => ['2026-04-03T23:00:00Z', $o(1, 'days', 'after'), '2026-04-05 00:00:00', 'Australia/Sydney'];
        yield 'Sydney goes forward on 4 October' => [
            '2026-10-03T00:00:00Z', $o(1, 'days', 'after'), '2026-10-03 23:00:00', 'Australia/Sydney',
        ];
        yield 'Lord Howe by half an hour' => ['2026-10-03T00:00:00Z', $o(1, 'days', 'after'), '2026-10-03 23:30:00', 'Australia/Lord_Howe'];
        yield 'pinned to nine where they are' => [
            '2026-03-14T10:00:00Z', $o(1, 'days', 'before', '09:00'), '2026-03-13 13:00:00', 'America/Toronto',
        ];
        yield 'pinned to nine here' => [
            '2026-03-14T10:00:00Z', $o(1, 'days', 'before', '09:00', 'ours'), '2026-03-13 09:00:00', 'America/Toronto',
        ];
        yield 'its day is that of the place where it happens' => [
            '2026-03-14T02:00:00Z', $o(1, 'days', 'before', '09:00', 'ours'), '2026-03-13 09:00:00', 'America/Toronto', 'Europe/London',
        ];
        yield 'a day with no time begins at midnight' => ['2026-03-14', $o(0, 'days', 'after'), '2026-03-14 00:00:00'];
        yield 'midnight where they are' => ['2026-03-14', $o(0, 'days', 'after'), '2026-03-14 04:00:00', 'America/Toronto'];
        yield 'a month after 31 January' => ['2026-01-31', $o(1, 'months', 'after', '09:00'), '2026-02-28 09:00:00'];
        yield 'a month after 31 January of a leap year' => ['2028-01-31', $o(1, 'months', 'after', '09:00'), '2028-02-29 09:00:00'];
        yield 'a month before 31 March' => ['2026-03-31', $o(1, 'months', 'before', '09:00'), '2026-02-28 09:00:00'];
        yield 'twelve months after 29 February' => ['2028-02-29', $o(12, 'months', 'after'), '2029-02-28 00:00:00'];
        yield 'two weeks before' => ['2026-04-10', $o(2, 'weeks', 'before', '10:00'), '2026-03-27 10:00:00'];
        yield 'three working days before a Wednesday' => ['2026-03-18', $o(3, 'working_days', 'before', '09:00'), '2026-03-13 09:00:00'];
        yield 'over Easter, whose holidays do not count' => ['2026-04-08', $o(2, 'working_days', 'before', '09:00'), '2026-04-02 08:00:00'];
        yield 'a working day after a Saturday' => ['2026-03-14', $o(1, 'working_days', 'after', '09:00'), '2026-03-16 09:00:00'];
        yield 'no working days: the day itself, working or not' => [
            '2026-03-14',
            $o(0, 'working_days', 'after', '09:00'),
            '2026-03-14 09:00:00',
        ];
    }
}
