<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;
use Linnet\Core\Time\Day;

/** A date: 3 March 2026; read with the month before the day, cut short, or as 2026-03-03 too. */
final readonly class DaySlot implements Slot
{
    public const MONTHS = [
        'January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December',
    ];

    public function kind(): string
    {
        return 'date';
    }

    public function write(mixed $value): ?string
    {
        $day = is_string($value) ? Day::parse($value) : null;
        if ($day === null || $day->date !== $value) {
            return null;
        }
        [$year, $month, $date] = array_map(intval(...), explode('-', $day->date));

        return "$date ".self::MONTHS[$month - 1].sprintf(' %04d', $year);
    }

    public function read(Reading $in, int $at): iterable
    {
        $token = fn (int $i): string => $in->tokens[$at + $i]->folded ?? '';
        if (preg_match('/^\d{4}-\d\d-\d\d$/D', $token(0)) === 1 && Day::parse($token(0)) !== null) {
            yield [$token(0), $at + 1];
        }
        foreach ([[0, 1, 2], [1, 0, 2], [1, 0, 3]] as [$d, $m, $y]) {
            $month = self::month($token($m));
            $comma = $y === 3 && $token(2) !== ',';
            if ($month !== null && ! $comma && preg_match('/^\d{1,2}$/D', $token($d)) === 1 && preg_match('/^\d{4}$/D', $token($y)) === 1) {
                $day = sprintf('%04d-%02d-%02d', $token($y), $month, $token($d));
                if (Day::parse($day) !== null) {
                    yield [$day, $at + $y + 1];
                }
            }
        }
    }

    public function suggest(string $written): array
    {
        if (preg_match('/^(\d{1,2}) *(\p{L}*)$/Du', trim($written), $part) !== 1) {
            return [];
        }

        return array_map(
            fn (string $month): string => (int) $part[1]." $month ",
            array_values(array_filter(self::MONTHS, fn (string $month): bool => str_starts_with(strtolower($month), strtolower($part[2])))),
        );
    }

    public static function month(string $word): ?int
    {
        foreach (strlen($word) < 3 ? [] : self::MONTHS as $i => $month) {
            if (str_starts_with(strtolower($month), $word)) {
                return $i + 1;
            }
        }

        return null;
    }
}
