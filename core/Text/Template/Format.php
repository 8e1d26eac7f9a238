<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

use Linnet\Core\Document\Nearest;

/** The named ways to write a value. Anything else in quotes is a pattern of Unicode TS 35. */
enum Format: string
{
    case Date = 'date';
    case ShortDate = 'short date';
    case LongDate = 'long date';
    case Weekday = 'weekday';
    case Time = 'time';
    case DateTime = 'date time';
    case WeekdayTime = 'weekday time';
    /** Today, tomorrow, on Thursday, on 12 March: as the receiver sees it at the moment of sending. */
    case RelativeDay = 'relative day';
    case Money = 'money';
    case Number = 'number';

    /** The skeleton (Unicode TS 35) the locale makes its own pattern of; null where the value is not written by one. */
    public function skeleton(): ?string
    {
        return match ($this) {
            self::Date => 'dMMMM',
            self::ShortDate => 'dMMM',
            self::LongDate => 'EEEEdMMMMy',
            self::Weekday => 'EEEE',
            self::Time => 'jm',
            self::DateTime => 'dMMMMjm',
            self::WeekdayTime => 'EEEEjm',
            self::RelativeDay, self::Money, self::Number => null,
        };
    }

    public function needsTime(): bool
    {
        return match ($this) {
            self::Time, self::DateTime, self::WeekdayTime => true,
            default => false,
        };
    }

    /**
     * What is wrong with a format as written: a code and its facts, or null.
     *
     * @return array{string, array<string, string>}|null
     */
    public static function problem(string $written): ?array
    {
        if (self::tryFrom($written) !== null) {
            return null;
        }
        $nearest = Nearest::to($written, array_column(self::cases(), 'value'));
        if ($nearest !== null || trim($written) === '') {
            return ['unknown_format', ['name' => $written, 'nearest' => $nearest ?? 'date']];
        }
        if (self::isNumberPattern($written)) {
            return null;
        }
        $bare = preg_replace("/'[^']*'/", '', $written) ?? $written;

        return str_contains($bare, "'") || preg_match('/[^GyYuUQqMLwWdDFEecabBhHKkmsSAzZOvVXx\P{L}]/u', $bare) === 1
            || preg_match('/[a-zA-Z]/', $bare) !== 1
            ? ['unknown_format', ['name' => $written, 'nearest' => '']]
            : null;
    }

    public static function isNumberPattern(string $written): bool
    {
        return preg_match('/[#0]/', $written) === 1 && preg_match("/^[^\"']*$/", $written) === 1;
    }
}
