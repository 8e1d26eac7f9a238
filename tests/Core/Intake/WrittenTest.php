<?php

declare(strict_types=1);

namespace Tests\Core\Intake;

use Linnet\Core\Intake\DateOrder;
use Linnet\Core\Intake\WrittenDate;
use Linnet\Core\Intake\WrittenNumber;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WrittenTest extends TestCase
{
    #[DataProvider('dates')]
    public function testReadsDatesAsPeopleWriteThem(string $written, string $order, string $zone, ?string $expected): void
    {
        $read = WrittenDate::parse($written, DateOrder::from($order), new \DateTimeZone($zone));

        self::assertSame($expected, match (true) {
            $read instanceof Day => $read->date,
            $read instanceof Moment => $read->at->format('Y-m-d\TH:i:s\Z'),
            default => null,
        });
    }

    /** @return iterable<string, array{string, string, string, string|null}> */
    public static function dates(): iterable
    {
        yield 'day first' => ['3/4/2026', 'dmy', 'UTC', '2026-04-03'];
        yield 'month first' => ['3/4/2026', 'mdy', 'UTC', '2026-03-04'];
        yield 'year first whatever the order' => ['2026-03-04', 'dmy', 'UTC', '2026-03-04'];
        yield 'dots and two digits of a year' => ['1.4.26', 'dmy', 'UTC', '2026-04-01'];
        yield 'a year of the last century' => ['1.4.71', 'dmy', 'UTC', '1971-04-01'];
        yield 'a month in words' => ['3rd March 2026', 'mdy', 'UTC', '2026-03-03'];
        yield 'an American month in words' => ['Mar 3, 2026', 'dmy', 'UTC', '2026-03-03'];
        yield 'a weekday before it' => ['Tuesday, 3 March 2026', 'dmy', 'UTC', '2026-03-03'];
        yield 'compact' => ['20260303T101500Z', 'ymd', 'UTC', null];
        yield 'compact day' => ['20260303', 'ymd', 'UTC', '2026-03-03'];
        yield 'a time by the clock of the zone' => ['01.07.2026 18:30', 'dmy', 'Europe/Berlin', '2026-07-01T16:30:00Z'];
        yield 'half a day' => ['12/31/2026 6:30 PM', 'mdy', 'UTC', '2026-12-31T18:30:00Z'];
        yield 'noon and midnight' => ['1/2/2026 12:15 a.m.', 'dmy', 'UTC', '2026-02-01T00:15:00Z'];
        yield 'an offset beats the zone' => ['2026-07-01T18:30:00+02:00', 'ymd', 'America/Toronto', '2026-07-01T16:30:00Z'];
        yield 'a time that does not exist moves on by the gap' => ['2026-03-29 01:30', 'ymd', 'Europe/London', '2026-03-29T01:30:00Z'];
        yield 'a time that exists twice is the first' => ['2026-10-25 01:30', 'ymd', 'Europe/London', '2026-10-25T00:30:00Z'];
        yield 'a day that is not' => ['31/02/2026', 'dmy', 'UTC', null];
        yield 'month and day changed over' => ['31/12/2026', 'mdy', 'UTC', null];
        yield 'hours that are not' => ['1/2/2026 25:00', 'dmy', 'UTC', null];
        yield 'thirteen in the afternoon' => ['1/2/2026 13:00 PM', 'dmy', 'UTC', null];
        yield 'a number alone' => ['1772446200', 'dmy', 'UTC', null];
        yield 'words' => ['next Tuesday', 'dmy', 'UTC', null];
        yield 'something behind it' => ['3/4/2026 at the quay', 'dmy', 'UTC', null];
    }

    #[DataProvider('numbers')]
    public function testReadsNumbersAsPeopleWriteThem(string $written, string $decimal, ?float $expected): void
    {
        self::assertSame($expected, WrittenNumber::parse($written, $decimal));
    }

    /** @return iterable<string, array{string, string, float|null}> */
    public static function numbers(): iterable
    {
        yield 'plain' => ['12', '.', 12.0];
        yield 'thousands and pence' => ['1,234.50', '.', 1234.5];
        yield 'the other way' => ['1.234,50', ',', 1234.5];
        yield 'pounds before' => ['£1,200', '.', 1200.0];
        yield 'a code behind' => ['92,00 GBP', ',', 92.0];
        yield 'thin spaces' => ["1\u{202F}234,5", ',', 1234.5];
        yield 'an apostrophe between thousands' => ["1'234.5", '.', 1234.5];
        yield 'less than nothing' => ['-£5', '.', -5.0];
        yield 'as accountants write it' => ['(5.00)', '.', -5.0];
        yield 'a share' => ['12.5%', '.', 12.5];
        yield 'a comma where thousands would not be' => ['12,50', '.', null];
        yield 'two points' => ['1.2.3', '.', null];
        yield 'words' => ['a dozen', '.', null];
        yield 'too large to be one' => ['1e999', '.', null];
        yield 'nothing' => ['', '.', null];
    }
}
