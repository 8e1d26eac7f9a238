<?php

declare(strict_types=1);

namespace Tests\Core\Time;

use Linnet\Core\Time\Recurrence;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Rules of RFC 5545, section 3.3.10 and the examples of 3.8.5.3, by the clock on the wall. */
final class RecurrenceTest extends TestCase
{
    /** @param  list<string>  $expected */
    #[DataProvider('rules')]
    public function testTheNextMoments(string $first, string $zone, string $rule, string $after, array $expected): void
    {
        $recurrence = Recurrence::of(new \DateTimeImmutable($first, new \DateTimeZone($zone)), $rule);
        self::assertNotNull($recurrence);
        $found = [];
        $moment = new \DateTimeImmutable($after, new \DateTimeZone($zone));
        while (count($found) < count($expected) + 1 && ($moment = $recurrence->after($moment)) !== null) {
            $found[] = $moment->setTimezone(new \DateTimeZone($zone))->format('Y-m-d H:i');
        }

        self::assertSame($expected, array_slice($found, 0, count($expected)));
        // One that counts or ends has no more than it says.
        if (preg_match('/COUNT|UNTIL/', $rule) === 1) {
            self::assertCount(count($expected), $found);
        }
    }

    /** @return iterable<string, array{string, string, string, string, list<string>}> */
    public static function rules(): iterable
    {
        [$london, $new] = ['Europe/London', 'America/New_York'];
        yield 'every day' => ['2026-03-02 09:00', $london, 'FREQ=DAILY', '2026-03-04 09:00', ['2026-03-05 09:00', '2026-03-06 09:00']];
        yield 'the first counts' => ['2026-03-02 09:00', $london, 'FREQ=DAILY', '2026-03-01 00:00', ['2026-03-02 09:00']];
        yield 'a day keeps the clock on the wall in spring' => [
            '2026-03-28 09:00', $london, 'FREQ=DAILY', '2026-03-28 09:00', ['2026-03-29 09:00', '2026-03-30 09:00'],
        ];
        yield 'and in autumn' => ['2026-10-24 09:00', $london, 'FREQ=DAILY', '2026-10-24 09:00', ['2026-10-25 09:00', '2026-10-26 09:00']];
        yield 'ten times' => [
            '1997-09-02 09:00', $new, 'FREQ=DAILY;COUNT=3', '1997-09-01 00:00',
            ['1997-09-02 09:00', '1997-09-03 09:00', '1997-09-04 09:00'],
        ];
        yield 'every other week on Monday and Friday' => [
            '1997-09-01 09:00', $new, 'FREQ=WEEKLY;INTERVAL=2;WKST=SU;BYDAY=MO,FR;COUNT=5', '1997-08-01 00:00',
            ['1997-09-01 09:00', '1997-09-05 09:00', '1997-09-15 09:00', '1997-09-19 09:00', '1997-09-29 09:00'],
        ];
        yield 'weekly until a day' => [
            '1997-09-02 09:00', $new, 'FREQ=WEEKLY;UNTIL=19970924T000000Z', '1997-09-01 00:00',
            ['1997-09-02 09:00', '1997-09-09 09:00', '1997-09-16 09:00', '1997-09-23 09:00'],
        ];
        yield 'the first Friday of the month' => [
            '1997-09-05 09:00', $new, 'FREQ=MONTHLY;BYDAY=1FR;COUNT=4', '1997-09-01 00:00',
            ['1997-09-05 09:00', '1997-10-03 09:00', '1997-11-07 09:00', '1997-12-05 09:00'],
        ];
        yield 'the last but one Monday' => [
            '1997-09-22 09:00', $new, 'FREQ=MONTHLY;BYDAY=-2MO;COUNT=3', '1997-09-01 00:00',
            ['1997-09-22 09:00', '1997-10-20 09:00', '1997-11-17 09:00'],
        ];
        yield 'the third day before the end of the month' => [
            '1997-09-28 09:00', $new, 'FREQ=MONTHLY;BYMONTHDAY=-3', '1997-09-01 00:00',
            ['1997-09-28 09:00', '1997-10-29 09:00', '1997-11-28 09:00', '1997-12-29 09:00'],
        ];
        yield 'the 31st, in the months that have one' => [
            '2026-01-31 09:00', $london, 'FREQ=MONTHLY;BYMONTHDAY=31', '2026-02-01 00:00', ['2026-03-31 09:00', '2026-05-31 09:00'],
        ];
        yield 'Friday the 13th' => [
            '1997-09-02 09:00', $new, 'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13', '1997-09-02 09:00',
            ['1998-02-13 09:00', '1998-03-13 09:00', '1998-11-13 09:00'],
        ];
        yield 'a leap day, every fourth year' => [
            '2024-02-29 09:00', $london, 'FREQ=YEARLY', '2024-03-01 00:00', ['2028-02-29 09:00', '2032-02-29 09:00'],
        ];
        yield 'every second month' => [
            '2026-03-02 10:00', $london, 'FREQ=MONTHLY;INTERVAL=2', '2026-03-02 10:00', ['2026-05-02 10:00', '2026-07-02 10:00'],
        ];
        yield 'every hour goes on through the hour that is not there' => [
            '2026-03-29 00:15', $london, 'FREQ=HOURLY', '2026-03-29 00:15', ['2026-03-29 02:15', '2026-03-29 03:15'],
        ];
        yield 'the last working day of the month' => [
            '2026-03-02 10:00', $london, 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', '2026-03-03 00:00',
            ['2026-03-31 10:00', '2026-04-30 10:00', '2026-05-29 10:00'],
        ];
        yield 'a time in the spring gap moves on that day alone' => [
            '2026-03-27 01:30', $london, 'FREQ=DAILY', '2026-03-27 01:30',
            ['2026-03-28 01:30', '2026-03-29 02:30', '2026-03-30 01:30', '2026-03-31 01:30'],
        ];
        yield 'and once a week' => [
            '2026-03-22 01:30', $london, 'FREQ=WEEKLY', '2026-03-22 01:30', ['2026-03-29 02:30', '2026-04-05 01:30'],
        ];
        yield 'an hour that comes twice is its first' => [
            '2026-10-24 01:30', $london, 'FREQ=DAILY', '2026-10-24 01:30', ['2026-10-25 01:30', '2026-10-26 01:30'],
        ];
        yield 'until a day counts the whole of it' => [
            '2026-03-02 09:00', $london, 'FREQ=DAILY;UNTIL=20260303', '2026-03-01 00:00', ['2026-03-02 09:00', '2026-03-03 09:00'],
        ];
        yield 'until an instant, in summer' => [
            '2026-06-01 09:00', $london, 'FREQ=DAILY;UNTIL=20260602T080000Z', '2026-05-01 00:00', ['2026-06-01 09:00', '2026-06-02 09:00'],
        ];
        yield 'week 20, Monday' => [
            '1997-05-12 09:00', $new, 'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO', '1997-05-01 00:00',
            ['1997-05-12 09:00', '1998-05-11 09:00', '1999-05-17 09:00'],
        ];
        yield 'the 1st, 100th and 200th day, every third year' => [
            '1997-01-01 09:00', $new, 'FREQ=YEARLY;INTERVAL=3;COUNT=5;BYYEARDAY=1,100,200', '1996-12-01 00:00',
            ['1997-01-01 09:00', '1997-04-10 09:00', '1997-07-19 09:00', '2000-01-01 09:00', '2000-04-09 09:00'],
        ];
        yield 'the 20th Monday of the year' => [
            '1997-05-19 09:00', $new, 'FREQ=YEARLY;BYDAY=20MO', '1997-05-01 00:00',
            ['1997-05-19 09:00', '1998-05-18 09:00', '1999-05-17 09:00'],
        ];
        yield 'election day' => [
            '1996-11-05 09:00', $new, 'FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8', '1996-11-01 00:00',
            ['1996-11-05 09:00', '2000-11-07 09:00', '2004-11-02 09:00'],
        ];
        yield 'a fifth Monday, where there is one' => [
            '2026-03-30 09:00', $london, 'FREQ=MONTHLY;BYDAY=5MO', '2026-03-30 09:00', ['2026-06-29 09:00', '2026-08-31 09:00'],
        ];
        yield 'a leap day on a Monday' => [
            '2024-02-29 09:00', $london, 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29;BYDAY=MO', '2024-03-01 00:00',
            ['2044-02-29 09:00', '2072-02-29 09:00'],
        ];
        yield 'long after its first' => [
            '1997-09-02 09:00', $new, 'FREQ=DAILY;INTERVAL=10', '2026-03-01 00:00', ['2026-03-04 09:00', '2026-03-14 09:00'],
        ];
        yield 'nothing after the last' => ['2026-03-02 10:00', $london, 'FREQ=DAILY;COUNT=2', '2026-03-03 10:00', []];
    }

    #[DataProvider('wrong')]
    public function testARuleThatCannotBeFollowedIsNone(string $rule): void
    {
        self::assertNull(Recurrence::of(new \DateTimeImmutable('2026-03-02T10:00:00Z'), $rule));
    }

    /** @return iterable<string, array{string}> */
    public static function wrong(): iterable
    {
        yield 'words' => ['every Monday'];
        yield 'nothing' => [''];
        yield 'no such frequency' => ['FREQ=FORTNIGHTLY'];
        yield 'every minute' => ['FREQ=MINUTELY'];
        yield 'every second' => ['freq=secondly'];
        yield 'sixty times an hour' => ['FREQ=HOURLY;BYMINUTE=0,1,2'];
        yield 'no such day' => ['FREQ=WEEKLY;BYDAY=XX'];
        // What never comes about would be looked for without end.
        yield '30 February' => ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'];
        yield 'the 31st of short months' => ['FREQ=MONTHLY;BYMONTH=4,6;BYMONTHDAY=31'];
        yield 'a month that is not come past' => ['FREQ=MONTHLY;INTERVAL=12;BYMONTH=7'];
        yield 'every seventh day from a Monday, on a Tuesday' => ['FREQ=DAILY;INTERVAL=7;BYDAY=TU'];
        yield 'a sixth Monday' => ['FREQ=MONTHLY;BYDAY=6MO'];
        yield 'the second of one' => ['FREQ=MONTHLY;BYDAY=1MO;BYSETPOS=2'];
        yield 'a leap day in years that never leap' => ['FREQ=YEARLY;INTERVAL=4;BYMONTH=2;BYMONTHDAY=29'];
        yield 'month 13' => ['FREQ=YEARLY;BYMONTH=13'];
        yield 'never' => ['FREQ=DAILY;INTERVAL=0'];
    }
}
