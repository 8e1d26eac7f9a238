<?php

declare(strict_types=1);

namespace Tests\Core\Number;

use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NumbersTest extends TestCase
{
    #[DataProvider('writtenForms')]
    public function testReadsAnyWrittenForm(string $written, string $country, string $e164, string $kind, string $zone): void
    {
        $number = Numbers::read($written, $country);

        self::assertSame([$e164, $kind], [$number->e164, $number->kind->value]);
        self::assertContains($zone, $number->zones);
    }

    /** @return iterable<string, array<string>> */
    public static function writtenForms(): iterable
    {
        $london = 'Europe/London';
        yield 'national' => ['07700 900123', 'GB', '+447700900123', 'mobile', $london];
        yield 'without the nought' => ['7700900123', 'GB', '+447700900123', 'mobile', $london];
        yield 'with a bracketed nought' => ['+44 (0)7700 900 123', 'GB', '+447700900123', 'mobile', $london];
        yield 'dialled from the quay' => ['(0)7700 900 123', 'GB', '+447700900123', 'mobile', $london];
        yield 'with the way out of the country' => ['0044-7700-900123', 'GB', '+447700900123', 'mobile', $london];
        yield 'the same, read elsewhere' => ['00447700900123', 'US', '+447700900123', 'mobile', $london];
        yield 'no plus' => ['447700900123', 'GB', '+447700900123', 'mobile', $london];
        yield 'saved from a spreadsheet' => ["'+44 7700\u{00A0}900123", 'GB', '+447700900123', 'mobile', $london];
        yield 'a link' => ['tel:+44-7700-900-123', 'GB', '+447700900123', 'mobile', $london];
        yield 'full-width digits' => ['０７７００ ９００１２３', 'GB', '+447700900123', 'mobile', $london];
        yield 'a London landline kept for fiction' => ['020 7946 0018', 'GB', '+442079460018', 'landline', $london];
        yield 'a landline of no town' => ['01632 960221', 'GB', '+441632960221', 'landline', $london];
        yield 'a landline with its extension' => ['020 7946 0018 ext. 12', 'GB', '+442079460018', 'landline', $london];
        yield 'freephone' => ['08081 570123', 'GB', '+448081570123', 'other', $london];
        yield 'Toronto' => ['416-555-0142', 'CA', '+14165550142', 'either', 'America/Toronto'];
        yield 'Toronto, dialled from London' => ['00 1 (416) 555-0142', 'GB', '+14165550142', 'either', 'America/Toronto'];
        yield 'Los Angeles' => ['+1 213 555 0108', 'GB', '+12135550108', 'either', 'America/Los_Angeles'];
        yield 'an Australian mobile, which may be anywhere there' => ['0491 570 006', 'AU', '+61491570006', 'mobile', 'Australia/Perth'];
        yield 'a French mobile kept for fiction' => ['+33 6 39 98 04 12', 'GB', '+33639980412', 'mobile', 'Europe/Paris'];
        yield 'possible, of unknown kind' => ['07999 123', 'GB', '+447999123', 'unknown', $london];
    }

    #[DataProvider('notNumbers')]
    public function testSaysWhyItIsNone(string $written, string $country, string $code): void
    {
        try {
            self::fail(Numbers::read($written, $country)->e164);
        } catch (NotANumber $e) {
            self::assertSame("number.$code", $e->reason()->code);
        }
    }

    /** @return iterable<string, array<string>> */
    public static function notNumbers(): iterable
    {
        yield 'nothing' => [' ', 'GB', 'empty'];
        yield 'withheld' => ['WITHHELD', 'GB', 'withheld'];
        yield 'too short' => ['12', 'GB', 'length'];
        yield 'too long' => ['07700 900123 456 789', 'GB', 'length'];
        yield 'no such country code' => ['+999 123 4567', 'GB', 'country_code'];
        yield 'no such country' => ['07700 900123', 'XX', 'country'];
        yield 'two at once' => ['07700 900123 / 07700 900124', 'GB', 'several'];
    }
}
