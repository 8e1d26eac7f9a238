<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Tables\Files;
use Linnet\Core\Intake\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Workbook;

final class FilesTest extends TestCase
{
    private string $path;

    protected function setUp(): void
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'linnet');
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->path*") ?: []);
    }

    /** @param  list<list<string>>  $expected */
    #[DataProvider('tables')]
    public function testATableIsReadHoweverItIsWritten(string $bytes, array $expected): void
    {
        file_put_contents($this->path, $bytes);

        self::assertSame($expected, $this->rows());
    }

    /** @return iterable<string, array{string, list<list<string>>}> */
    public static function tables(): iterable
    {
        $rows = [['Name', 'Note'], ['Sæther', 'a, b'], ['Ann', "two\nlines"]];
        $csv = fn (string $by): string => implode("\r\n", ["Name{$by}Note", "Sæther{$by}\"a, b\"", "Ann{$by}\"two\nlines\""])."\r\n";
        yield 'commas' => [$csv(','), $rows];
        yield 'semicolons' => [$csv(';'), $rows];
        yield 'tabs' => [$csv("\t"), $rows];
        yield 'bars' => [$csv('|'), $rows];
        yield 'a byte order mark' => ["\xEF\xBB\xBF".$csv(';'), $rows];
        yield 'an older Windows' => [(string) mb_convert_encoding($csv(';'), 'Windows-1252', 'UTF-8'), $rows];
        yield 'two bytes a character' => ["\xFF\xFE".mb_convert_encoding($csv("\t"), 'UTF-16LE', 'UTF-8'), $rows];
        yield 'the other way about' => ["\xFE\xFF".mb_convert_encoding($csv(','), 'UTF-16BE', 'UTF-8'), $rows];
        yield 'lines that end as of old' => ["Name,Note\rAnn,b\rBo,c", [['Name', 'Note'], ['Ann', 'b'], ['Bo', 'c']]];
        yield 'a first line that says the delimiter' => ["sep=;\r\nName;Note\r\nAnn;1,5\r\n", [['Name', 'Note'], ['Ann', '1,5']]];
        yield 'commas inside quotes do not count' => ["\"a,b,c\";x\n\"d,e,f\";y\n", [['a,b,c', 'x'], ['d,e,f', 'y']]];
        yield 'empty rows and columns, names twice' => ["A,A,,\n\n,,,\n1,2,3,\n", [['A', 'A 2'], ['1', '2', '3', '']]];
        yield 'one column' => ["Number\n07700900343\n", [['Number'], ['07700900343']]];
    }

    public function testAWorkbookIsReadWithItsDatesAndItsEmptyCells(): void
    {
        Workbook::write(
            $this->path,
            [
                '<row r="1"><c r="A1" t="s"><v>0</v></c><c r="B1" t="inlineStr"><is><t>When</t></is></c><c r="C1" t="s"><v>1</v></c><c r="D1" t="s"><v>2</v></c></row>',
                '<row r="2"><c r="A2" t="s"><v>3</v></c><c r="B2" s="1"><v>46083</v></c><c r="D2" t="b"><v>1</v></c></row>', '<row r="3"/>',
                '<row r="4"><c r="A4"><v>447700900343</v></c><c r="B4" s="2"><v>46083.4375</v></c><c r="C4" s="3"><v>12.300000000000001</v></c><c r="D4" t="e"><v>#N/A</v></c></row>',
                '<row r="5"><c r="A5" t="str"><f>A1</f><v>made</v></c><c r="B5" s="1"><v>0.75</v></c></row>',
            ],
            '<si><t>Name</t></si><si><r><t>Am</t></r><r><t>ount</t></r></si><si><t>Paid</t></si><si><t xml:space="preserve"> Noor &amp; Co</t><rPh sb="0" eb="1"><t>read</t></rPh></si>',
        );

        self::assertSame(
            [
                ['Name', 'When', 'Amount', 'Paid'], [' Noor & Co', '2026-03-02', '', 'yes'],
                ['447700900343', '2026-03-02 10:30:00', '12.3', ''], ['made', '18:00'],
            ],
            $this->rows(),
        );
        Workbook::write(
            $this->path, ['<row><c t="inlineStr"><is><t>D</t></is></c></row>', '<row><c s="1"><v>44621</v></c></row>'], '', from1904: true,
        );
        self::assertSame([['D'], ['2026-03-02']], $this->rows());
    }

    public function testContactsAreReadARowEach(): void
    {
        file_put_contents(
            $this->path,
            "BEGIN:VCARD\r\nVERSION:3.0\r\nUID:u1\r\nN:Haddad;Noor;;;\r\nFN:Noor Haddad\r\nTEL;TYPE=home:020 7946 0018\r\nTEL;TYPE=CELL:07700 900 343\r\nEMAIL:noor@example.org\r\nORG:Quay;Club\r\nEND:VCARD\r\n".
                "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Osier Quay Ltd\r\nTEL;VALUE=uri:tel:+447700900350\r\nEND:VCARD\r\n",
        );
        $rows = $this->rows();

        self::assertSame(
            ['u1', 'Noor', 'Haddad', 'Noor Haddad', '07700 900 343', '020 7946 0018', 'noor@example.org', 'Quay, Club'],
            array_slice($rows[1], 0, 8),
        );
        // What a card is shown as is no first name: it may be a company, or a number.
        self::assertSame(['', '', '', 'Osier Quay Ltd', '+447700900350'], array_slice($rows[2], 0, 5));
    }

    public function testACalendarGivesEachTimeOfWhatRepeatsUnderANameOfItsOwn(): void
    {
        file_put_contents($this->path, str_replace("\n", "\r\n", <<<'ICS'
            BEGIN:VCALENDAR
            VERSION:2.0
            BEGIN:VEVENT
            UID:weekly
            DTSTART;TZID=Europe/London:20260321T100000
            DTEND;TZID=Europe/London:20260321T120000
            RRULE:FREQ=WEEKLY;COUNT=4
            EXDATE;TZID=Europe/London:20260404T100000
            SUMMARY:Sculling taster
            ATTENDEE;CN=Noor Haddad:mailto:noor@example.org
            END:VEVENT
            BEGIN:VEVENT
            UID:weekly
            RECURRENCE-ID;TZID=Europe/London:20260328T100000
            DTSTART;TZID=Europe/London:20260328T143000
            DURATION:PT1H
            SUMMARY:Sculling taster, moved
            STATUS:CANCELLED
            LAST-MODIFIED:20260301T090000Z
            END:VEVENT
            BEGIN:VEVENT
            UID:once
            DTSTART;VALUE=DATE:20260310
            SUMMARY:Closed
            END:VEVENT
            BEGIN:VEVENT
            UID:long-gone
            DTSTART:20190310T100000Z
            SUMMARY:Old
            END:VEVENT
            BEGIN:VEVENT
            UID:never-ends
            DTSTART:20260301T000000Z
            RRULE:FREQ=SECONDLY
            SUMMARY:Flood
            END:VEVENT
            BEGIN:VEVENT
            UID:broken
            DTSTART:yesterday
            RRULE:FREQ=SOMETIMES
            END:VEVENT
            END:VCALENDAR
            ICS));
        $rows = array_map(fn (array $row): array => array_slice($row, 0, 6), array_slice($this->rows(), 1));

        self::assertContains(
            ['weekly/20260321T100000Z', 'Sculling taster', '2026-03-21T10:00:00Z', '2026-03-21T12:00:00Z', 'no', 'confirmed'],
            $rows,
        );
        self::assertContains(
            ['weekly/20260328T100000Z', 'Sculling taster, moved', '2026-03-28T14:30:00Z', '2026-03-28T15:30:00Z', 'no', 'cancelled'],
            $rows,
        );
        // Clocks have changed by then: ten on the quay is nine in UTC.
        self::assertContains(
            ['weekly/20260411T090000Z', 'Sculling taster', '2026-04-11T09:00:00Z', '2026-04-11T11:00:00Z', 'no', 'confirmed'],
            $rows,
        );
        self::assertContains(['once', 'Closed', '2026-03-10', '2026-03-10', 'yes', 'confirmed'], $rows);
        self::assertSame(
            [],
            array_filter($rows, fn (array $row): bool => str_starts_with($row[0], 'long-gone') || str_contains($row[2], '2026-04-04')),
        );
    }

    #[DataProvider('zones')]
    public function testAZoneThatOnlyTheCalendarDescribesIsReadAsItDescribesIt(string $zone, string $utc): void
    {
        file_put_contents(
            $this->path,
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VTIMEZONE\r\nTZID:Where we are\r\n{$zone}END:VTIMEZONE\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART;TZID=Where we are:20260410T100000\r\nDURATION:PT1H\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
        );

        self::assertSame($utc, $this->rows()[1][2]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function zones(): iterable
    {
        $part = fn (
            string $kind,
            string $begins,
            string $from,
            string $to,
            string $rule = '',
        ): string => "BEGIN:$kind\r\nDTSTART:$begins\r\nTZOFFSETFROM:$from\r\nTZOFFSETTO:$to\r\n".
            ($rule === '' ? '' : "RRULE:$rule\r\n").
            "END:$kind\r\n";
        yield 'always the same' => [$part('STANDARD', '19700101T000000', '+0530', '+0530'), '2026-04-10T04:30:00Z'];
        yield 'with summer time' => [
            $part('DAYLIGHT', '19700308T020000', '-0500', '-0400', 'FREQ=YEARLY;BYMONTH=3;BYDAY=2SU').
            $part('STANDARD', '19701101T020000', '-0400', '-0500', 'FREQ=YEARLY;BYMONTH=11;BYDAY=1SU'),
            '2026-04-10T14:00:00Z',
        ];
        yield 'as no known zone does' => [
            $part('DAYLIGHT', '19700401T020000', '+0100', '+0217', 'FREQ=YEARLY;BYMONTH=4;BYDAY=1WE').
            $part('STANDARD', '19700901T020000', '+0217', '+0100', 'FREQ=YEARLY;BYMONTH=9;BYDAY=1WE'),
            '2026-04-10T07:43:00Z',
        ];
        yield 'not described' => ['', '2026-04-10T10:00:00Z'];
    }

    #[DataProvider('wrongFiles')]
    public function testAFileThatIsNoTableSaysWhatItIs(string $bytes, string $says): void
    {
        file_put_contents($this->path, $bytes);
        try {
            $this->rows();
            self::fail('It was read.');
        } catch (Refused $e) {
            self::assertStringContainsString($says, (string) json_encode($e->reason()->toArray()));
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrongFiles(): iterable
    {
        yield 'nothing' => ['', 'no_columns'];
        yield 'empty rows' => ["\n,,\n\n", 'no_columns'];
        yield 'a web page' => ['<!DOCTYPE html><html>', 'a web page'];
        yield 'a workbook of old' => ["\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1", 'a form of old'];
        yield 'a broken workbook' => ["PK\x03\x04broken", 'is not one'];
        yield 'a PDF' => ['%PDF-1.7', 'a PDF'];
        yield 'more columns than anybody has' => [str_repeat('a,', 400)."b\n", 'too_many_columns'];
    }

    /** @return list<list<string>> */
    private function rows(): array
    {
        $table = Files::read(
            $this->path, "$this->path.table", new \DateTimeImmutable('2026-03-02T10:00:00Z'), new \DateTimeZone('Europe/London'),
        );
        $file = fopen("$this->path.table", 'rb') ?: throw new \RuntimeException('not written');
        $rows = [];
        while (($row = fgetcsv($file, null, ',', '"', '')) !== false) {
            $rows[] = array_map(strval(...), $row);
        }
        self::assertSame($table->rows, count($rows) - 1);

        return $rows;
    }
}
