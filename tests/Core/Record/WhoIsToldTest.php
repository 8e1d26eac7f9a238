<?php

declare(strict_types=1);

namespace Tests\Core\Record;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Member;
use Linnet\Core\Record\WhoIsTold;
use Linnet\Core\Time\WeeklyHours;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Monday 2 March in London, for every combination of owner, line, hours, absence and stand-in. */
final class WhoIsToldTest extends TestCase
{
    private const MIRA = 1;

    private const TOM = 2;

    private const NIA = 3;

    /** Mira is there by day, Tom in the evening, Nia always; what a case says of them is added. */
    private const HOURS = [self::MIRA => ['09:00', '17:00'], self::TOM => ['17:00', '21:00'], self::NIA => null];

    /**
     * @param  int|list<int|null>|null  $first  whose it is; or those it may be for alone
     * @param  list<int>  $line
     * @param  array<int, array{stand?: int, away?: string, never?: bool, gone?: bool}>  $but
     * @param  array<int, string>  $told  when, by whom
     */
    #[DataProvider('replies')]
    public function testWhoIsTold(string $at, int|array|null $first, array $line, array $but, array $told): void
    {
        $members = [];
        foreach (self::HOURS as $id => $hours) {
            $how = $but[$id] ?? [];
            if (! ($how['gone'] ?? false)) {
                $members[$id] = new Member(
                    $id,
                    match (true) {
                        $how['never'] ?? false => WeeklyHours::read(Doc::of(['week' => [], 'closed' => []])),
                        $hours === null => null,
                        default => WeeklyHours::daily(...$hours),
                    },
                    isset($how['away']) ? self::on($how['away']) : null, $how['stand'] ?? null,
                );
            }
        }
        $found = WhoIsTold::of(is_array($first) ? $first : [$first], $line, $members, self::on($at), new \DateTimeZone('Europe/London'));

        self::assertSame($told, array_map(fn (\DateTimeImmutable $when): string => $when->format('D H:i'), $found));
    }

    /** @return iterable<string, array{string, int|list<int|null>|null, list<int>, array<int, array<string, mixed>>, array<int, string>}> */
    public static function replies(): iterable
    {
        $all = [self::MIRA, self::TOM, self::NIA];
        yield 'its owner, who is there' => ['Mon 10:00', self::MIRA, $all, [], [self::MIRA => 'Mon 10:00']];
        yield 'nobody’s, and the rule names one' => ['Mon 10:00', [null, null, self::NIA], $all, [], [self::NIA => 'Mon 10:00']];
        yield 'its owner before whom the rule names' => ['Mon 10:00', [self::MIRA, self::NIA], $all, [], [self::MIRA => 'Mon 10:00']];
        yield 'its owner is gone, so whom the rule names' => [
            'Mon 10:00', [self::MIRA, self::NIA], $all, [self::MIRA => ['gone' => true]], [self::NIA => 'Mon 10:00'],
        ];
        yield 'whom the rule names is gone, so the line' => [
            'Mon 10:00', [null, self::TOM], [self::NIA], [self::TOM => ['gone' => true]], [self::NIA => 'Mon 10:00'],
        ];
        yield 'its owner at their next hour' => ['Mon 08:59', self::MIRA, $all, [], [self::MIRA => 'Mon 09:00']];
        yield 'at the end of their hours nobody is there' => ['Mon 17:00', self::MIRA, [], [], [self::MIRA => 'Tue 09:00']];
        yield 'whoever stands in, who is there' => [
            'Mon 18:00', self::MIRA, [], [self::MIRA => ['stand' => self::TOM]], [self::TOM => 'Mon 18:00'],
        ];
        yield 'whoever stands in is not there either' => [
            'Mon 22:00', self::MIRA, [], [self::MIRA => ['stand' => self::TOM]], [self::MIRA => 'Tue 09:00'],
        ];
        yield 'who stands in for whoever stands in' => [
            'Mon 22:00', self::MIRA, [], [self::MIRA => ['stand' => self::TOM], self::TOM => ['stand' => self::NIA]],
            [self::NIA => 'Mon 22:00'],
        ];
        yield 'two who stand in for each other' => [
            'Mon 22:00', self::MIRA, [], [self::MIRA => ['stand' => self::TOM], self::TOM => ['stand' => self::MIRA]],
            [self::MIRA => 'Tue 09:00'],
        ];
        yield 'away, back within their hours' => [
            'Mon 10:00', self::MIRA, [], [self::MIRA => ['away' => 'Tue 12:00']], [self::MIRA => 'Tue 12:00'],
        ];
        yield 'away, back outside of them' => [
            'Mon 10:00', self::MIRA, [], [self::MIRA => ['away' => 'Tue 20:00']], [self::MIRA => 'Wed 09:00'],
        ];
        yield 'back by now' => ['Mon 10:00', self::MIRA, [], [self::MIRA => ['away' => 'Mon 10:00']], [self::MIRA => 'Mon 10:00']];
        yield 'away with no hours' => ['Mon 10:00', self::NIA, [], [self::NIA => ['away' => 'Tue 03:00']], [self::NIA => 'Tue 03:00']];
        yield 'away, with somebody who stands in' => [
            'Mon 10:00', self::MIRA, [], [self::MIRA => ['away' => 'Fri 09:00', 'stand' => self::NIA]], [self::NIA => 'Mon 10:00'],
        ];
        yield 'nobody’s: everybody of the line' => [
            'Mon 10:00', null, $all, [], [self::MIRA => 'Mon 10:00', self::TOM => 'Mon 17:00', self::NIA => 'Mon 10:00'],
        ];
        yield 'one who stands in for two is told once, at once' => [
            'Mon 22:00', null, $all, [self::MIRA => ['stand' => self::NIA], self::TOM => ['stand' => self::NIA]],
            [self::NIA => 'Mon 22:00'],
        ];
        yield 'an owner who has left leaves it to the line' => [
            'Mon 10:00', self::MIRA, [self::NIA], [self::MIRA => ['gone' => true]], [self::NIA => 'Mon 10:00'],
        ];
        yield 'one of the line who has left' => [
            'Mon 10:00', null, [self::MIRA, self::NIA], [self::NIA => ['gone' => true]], [self::MIRA => 'Mon 10:00'],
        ];
        yield 'who stands in has left' => [
            'Mon 18:00', self::MIRA, [], [self::MIRA => ['stand' => self::TOM], self::TOM => ['gone' => true]], [self::MIRA => 'Tue 09:00'],
        ];
        yield 'hours that never open' => ['Mon 10:00', self::MIRA, [self::NIA], [self::MIRA => ['never' => true]], []];
        yield 'hours that never open, and somebody who stands in' => [
            'Mon 10:00', self::MIRA, [], [self::MIRA => ['never' => true, 'stand' => self::NIA]], [self::NIA => 'Mon 10:00'],
        ];
        yield 'nobody’s, and nobody at the line' => ['Mon 10:00', null, [], [], []];
    }

    /** A day of that week by its name. */
    private static function on(string $day): \DateTimeImmutable
    {
        [$name, $time] = explode(' ', $day);
        $date = 2 + (int) array_search($name, ['Mon', 'Tue', 'Wed', 'Thu', 'Fri'], true);

        return new \DateTimeImmutable("2026-03-0$date $time", new \DateTimeZone('UTC'));
    }
}
