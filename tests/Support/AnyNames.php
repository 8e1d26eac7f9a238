<?php

declare(strict_types=1);

namespace Tests\Support;

/** Names of whatever there is and of whatever there is not, in every spelling that may trouble a reader. */
final class AnyNames implements Names
{
    private const WORDS = [
        'Hello', 'water level', 'a "quoted" word', 'and', 'or else', "O'Brien", 'Süß & señor', 'two: parts', 'ends.', '5', 'yes', 'not now',
        'back\\slash', '(aside)', '“curly”', 'once more', '3 March 2026', 'naïve; mixed', 'ALL CAPS', 'the owner', 'line | stroke',
    ];

    private const TEXTS = [
        'Hello {{ first_name | or: "there" }}', 'Two lines'."\n".'of text', '  set in', 'ends with space ', "blank\n\nbetween",
        '| a stroke', 'It is {{ booking.starts_at | as: "time" }}.', 'Said “so”', "last line empty\n", 'if they answer "yes":',
        '1 € {{ pick: "Hi" / "Ho" }}', 'back\\slash', "tab\tin it", "a\r\nb", 'plain',
    ];

    private const PATHS = [
        'booking.state', 'booking.starts_at', 'booking.price', 'booking.places', 'booking.instructor', 'booking.lesson',
        'booking.instructor.texts_allowed', 'owner.first_name', 'first_name', 'member_since', 'town', 'person.town', 'remark', 'deal.stage',
        'deal.value', 'deal.owner', 'job.may_we_call', 'call.line', 'basket.pieces', 'nothing.here', 'made_up', 'booking.made.up',
    ];

    private const NAMES = [
        'type' => ['booking', 'deal', 'call', 'person', 'basket', 'job', 'service_plan', 'made_up'],
        'related' => ['booking', 'order', 'invoice', 'made_up', 'person'], 'of' => ['person', 'invoice', 'booking', 'made_up'],
        'form' => ['hire', 'made_up'], 'rule' => ['basket-left', 'find-out', 'made-up'], 'of_rule' => ['basket-left', 'made-up'],
        'pool' => ['water-level', 'made-up'], 'key' => ['front-desk', 'workshop', 'made-up'],
        'field' => [
            'state', 'starts_at', 'stage', 'value', 'owner', 'town', 'member_since', 'due', 'pieces', 'may_we_call', 'line', 'made_up',
        ],
    ];

    private const RECURRENCES = [
        'FREQ=MONTHLY;BYDAY=1MO', 'FREQ=WEEKLY;BYDAY=MO,TH', 'FREQ=DAILY', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=FR',
        'FREQ=YEARLY;BYMONTH=3,9;BYMONTHDAY=1', 'FREQ=MONTHLY;BYMONTHDAY=-1', 'FREQ=MONTHLY;BYDAY=-1FR;COUNT=6',
        'FREQ=DAILY;INTERVAL=3;UNTIL=20271231', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', 'freq=weekly',
        'FREQ=WEEKLY;UNTIL=20271231T235959Z', 'BYDAY=SU;FREQ=WEEKLY', 'FREQ=HOURLY;INTERVAL=6', 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29',
        'FREQ=DAILY;BYHOUR=9,17', 'FREQ=MONTHLY;BYDAY=2TU,4TU',
    ];

    private const VALUES = [
        'booked', 'did not come', 'Missed', 'brought in', 'yes', 'front-desk', 'Tom Reyes', 'tom@osierquay.example', '2026-03-03',
        '2026-03-03T10:00:00Z', '5', '', 'a', 'not ready', 'x and y', 'kayak',
    ];

    public function part(string $part, string $key, string $type, array $beside): mixed
    {
        return match ($part) {
            'name' => Chance::one(self::NAMES[$key] ?? ['some-name']),
            'field' => Chance::one(self::PATHS),
            'label' => Chance::one([
                ...match ($key) {
                    'audience' => ['Regulars', 'This week'],
                    'called' => ['Desks', 'the quay and the sea'],
                    default => ['member', 'newsletter', 'number to check'],
                },
                ...self::WORDS,
            ]),
            'words' => Chance::one(self::WORDS),
            'value' => Chance::one([...self::VALUES, 5, 7.5, true, false, 1000, -2]),
            'address' => Chance::one([
                'https://books.example/deals', 'http://a.example/?x=1&y=2', 'https://osierquay.example/spring.jpg',
            ]),
            'keyword' => Chance::one(['kayak', 'Level', 'water level', 'or', 'ja!', '5', 'to']),
            'time' => Chance::one(['09:00', '17:30', '00:00', '23:59']),
            default => null,
        };
    }

    public function text(string $key, string $type): string
    {
        return Chance::one(match ($key) {
            'first', 'last', 'day' => ['2026-03-01', '2026-10-31', '2027-01-31'],
            'text', 'words', 'unclear' => self::TEXTS,
            'at' => ['2026-03-16T09:00', '2026-12-31T23:30'],
            'recurrence' => self::RECURRENCES,
            'email' => ['tom@osierquay.example', 'mira@osierquay.example', 'desk@osierquay.example', 'o\'neil+x@sub.example.org'],
            'number' => ['+447700900123', '+14165550110'],
            'keys', 'lines' => ['front-desk', 'workshop', 'news', 'made up'],
            'value' => ['2026-03-03', '2026-03-03T10:00:00+01:00', '2025-12-31'],
            'name' => ['A rule', '“Quoted”', 'Two: parts', ' spaced '],
            default => self::WORDS,
        });
    }

    public function setting(string $type): array
    {
        return [Chance::one(self::PATHS), null];
    }

    public function often(string $key): int
    {
        return 40;
    }

    public function most(string $key): int
    {
        return 12;
    }
}
