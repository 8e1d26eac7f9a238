<?php

declare(strict_types=1);

namespace Tests\Core\Time;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Step\WaitUntil;
use Linnet\Core\Time\Span;
use Linnet\Core\Time\TimeOfDay;
use Linnet\Core\Time\Unit;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\Zone;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MomentsTest extends TestCase
{
    #[DataProvider('clockTimes')]
    public function testATimeOnTheWallIsAnInstant(string $day, string $time, string $zone, string $expected): void
    {
        self::assertSame($expected, TimeOfDay::parse($time)?->on($day, Zone::get($zone))->format('Y-m-d H:i'));
    }

    /** @return iterable<string, array<string>> */
    public static function clockTimes(): iterable
    {
        yield 'London, winter' => ['2026-02-10', '09:00', 'Europe/London', '2026-02-10 09:00'];
        yield 'London, summer' => ['2026-07-10', '09:00', 'Europe/London', '2026-07-10 08:00'];
        yield 'London, a time that does not exist moves on by the gap' => ['2026-03-29', '01:30', 'Europe/London', '2026-03-29 01:30'];
        yield 'London, a time that comes twice is its first' => ['2026-10-25', '01:30', 'Europe/London', '2026-10-25 00:30'];
        yield 'New York, not there' => ['2026-03-08', '02:30', 'America/New_York', '2026-03-08 07:30'];
        yield 'New York, twice' => ['2026-11-01', '01:30', 'America/New_York', '2026-11-01 05:30'];
        yield 'Lord Howe, a gap of half an hour' => ['2026-10-04', '02:15', 'Australia/Lord_Howe', '2026-10-03 15:45'];
        yield 'Lord Howe, twice' => ['2026-04-05', '01:45', 'Australia/Lord_Howe', '2026-04-04 14:45'];
        yield 'Santiago, midnight is not there' => ['2026-09-06', '00:30', 'America/Santiago', '2026-09-06 04:30'];
        yield 'Santiago, twice' => ['2026-04-04', '23:30', 'America/Santiago', '2026-04-05 02:30'];
        yield 'the midnight that ends the day' => ['2026-02-10', '24:00', 'Europe/London', '2026-02-11 00:00'];
    }

    #[DataProvider('spans')]
    public function testASpanLater(string $from, int $amount, Unit $unit, string $zone, string $expected): void
    {
        $span = Span::of($amount, $unit) ?? self::fail('not a span');

        self::assertSame($expected, $span->after(new \DateTimeImmutable($from), Zone::get($zone))->format('Y-m-d H:i:s'));
    }

    /** @return iterable<string, array<mixed>> */
    public static function spans(): iterable
    {
        yield 'minutes are elapsed time across the spring change' => [
            '2026-03-29T00:50:00Z', 20, Unit::Minutes, 'Europe/London', '2026-03-29 01:10:00',
        ];
        yield 'hours are elapsed time across the autumn change' => [
            '2026-10-24T23:30:00Z', 3, Unit::Hours, 'Europe/London', '2026-10-25 02:30:00',
        ];
        yield 'a day keeps the clock on the wall in spring' => [
            '2026-03-28T09:00:00Z', 1, Unit::Days, 'Europe/London', '2026-03-29 08:00:00',
        ];
        yield 'a day keeps the clock on the wall in autumn' => [
            '2026-10-24T08:00:00Z', 1, Unit::Days, 'Europe/London', '2026-10-25 09:00:00',
        ];
        yield 'a day into the gap moves on' => ['2026-03-07T07:30:00Z', 1, Unit::Days, 'America/New_York', '2026-03-08 07:30:00'];
        yield 'a week' => ['2026-03-25T10:00:00Z', 1, Unit::Weeks, 'Europe/London', '2026-04-01 09:00:00'];
        yield 'the end of a month' => ['2026-01-31T10:00:00Z', 1, Unit::Months, 'UTC', '2026-02-28 10:00:00'];
        yield 'the end of a month in a leap year' => ['2028-01-31T10:00:00Z', 1, Unit::Months, 'UTC', '2028-02-29 10:00:00'];
        yield 'a year from the leap day' => ['2028-02-29T10:00:00Z', 12, Unit::Months, 'UTC', '2029-02-28 10:00:00'];
        yield 'over the turn of the year' => ['2026-11-30T10:00:00Z', 3, Unit::Months, 'UTC', '2027-02-28 10:00:00'];
        yield 'nothing' => ['2026-11-30T10:00:05Z', 0, Unit::Days, 'Asia/Tokyo', '2026-11-30 10:00:05'];
    }

    #[DataProvider('hours')]
    public function testTheNextOpenMoment(string $at, string $zone, ?string $expected): void
    {
        $hours = WeeklyHours::read(Doc::of([
            'week' => ['mon' => [['09:00', '12:00'], ['13:00', '18:00']], 'tue' => [['09:00', '18:00']], 'fri' => [['20:00', '02:00']]],
            'closed' => ['2026-03-10'],
        ]));

        self::assertSame($expected, $hours->nextOpen(new \DateTimeImmutable($at), Zone::get($zone))?->format('Y-m-d H:i'));
    }

    /** @return iterable<string, array{string, string, string|null}> */
    public static function hours(): iterable
    {
        yield 'inside' => ['2026-03-02T10:00:00Z', 'Europe/London', '2026-03-02 10:00'];
        yield 'the minute it opens' => ['2026-03-02T09:00:00Z', 'Europe/London', '2026-03-02 09:00'];
        yield 'the minute it closes' => ['2026-03-02T12:00:00Z', 'Europe/London', '2026-03-02 13:00'];
        yield 'over night' => ['2026-03-02T22:00:00Z', 'Europe/London', '2026-03-03 09:00'];
        yield 'a closed day is passed over' => ['2026-03-09T19:00:00Z', 'Europe/London', '2026-03-13 20:00'];
        yield 'after midnight, inside a window that crosses it' => ['2026-03-07T01:30:00Z', 'Europe/London', '2026-03-07 01:30'];
        yield 'by the clock over there' => ['2026-03-02T10:00:00Z', 'America/Toronto', '2026-03-02 14:00'];
    }

    public function testHoursThatNeverOpenNeverDo(): void
    {
        $never = WeeklyHours::read(Doc::of(['week' => []]));
        $narrow = WeeklyHours::daily('09:00', '10:00');

        self::assertNull($never->nextOpen(new \DateTimeImmutable('2026-03-02'), Zone::utc()));
        self::assertNull($narrow->nextOpenInAll(new \DateTimeImmutable('2026-03-02'), ['Europe/London', 'Asia/Tokyo']));
    }

    public function testADecentHourMustBeOneInEveryZone(): void
    {
        $hours = WeeklyHours::daily('08:00', '20:30');
        $at = new \DateTimeImmutable('2026-03-02T20:00:00Z');

        // 08:00 in Perth is UTC 00:00, when it is 11:00 in Sydney.
        self::assertSame('2026-03-03 00:00', $hours->nextOpenInAll($at, ['Australia/Sydney', 'Australia/Perth'])?->format('Y-m-d H:i'));
    }

    public function testUntilATimeOfDay(): void
    {
        $nine = new WaitUntil('w', TimeOfDay::parse('09:00') ?? self::fail(), false);
        $after = fn (string $at): string => $nine->after(new \DateTimeImmutable($at), Zone::get('Europe/London'))->format('Y-m-d H:i');

        self::assertSame('2026-03-02 09:00', $after('2026-03-02T06:50:00Z'));
        self::assertSame('2026-03-02 09:00', $after('2026-03-02T09:00:00Z'));
        self::assertSame('2026-03-29 08:00', $after('2026-03-28T09:01:00Z'));
    }
}
