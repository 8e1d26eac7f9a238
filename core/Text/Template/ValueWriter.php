<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

use Linnet\Core\Money;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

/** Writes one value for one receiver's locale and time zone (Unicode CLDR through ICU). */
final class ValueWriter
{
    /** The word before a weekday or date when it answers "when?", by language. */
    private const ON = [
        'en' => 'on ', 'de' => 'am ', 'nl' => 'op ', 'es' => 'el ', 'pt' => 'em ', 'sv' => 'på ', 'da' => 'på ', 'nb' => 'på ',
    ];

    /** @var array<string, string> patterns by locale and skeleton */
    private static array $patterns = [];

    /** @var array<string, string|null> yesterday, today, tomorrow by locale and days from now */
    private static array $dayWords = [];

    /** @var array<string, \IntlDateFormatter> by locale, zone and pattern */
    private static array $formatters = [];

    private readonly \DateTimeZone $zone;

    public function __construct(
        private readonly \DateTimeImmutable $now,
        string $zone,
        private readonly string $locale,
        private readonly string $currency,
    ) {
        $this->zone = Zone::get($zone);
    }

    /** The value where no format is named. */
    public function plain(mixed $value): string
    {
        return match (true) {
            $value instanceof Moment => $this->date($value, Format::DateTime->skeleton() ?? ''),
            $value instanceof Day => $this->date($value, Format::Date->skeleton() ?? ''),
            $value instanceof Money => $this->money($value),
            $value instanceof \Stringable => (string) $value,
            is_bool($value) => $value ? 'yes' : 'no',
            is_int($value), is_string($value) => (string) $value,
            is_float($value) => rtrim(rtrim(number_format($value, 6, '.', ''), '0'), '.'),
            is_array($value) => implode(', ', array_map($this->plain(...), $value)),
            default => '',
        };
    }

    /** @throws TemplateError if the value is not of a kind that can be written so */
    public function as(mixed $value, string $written, int $at, string $path): string
    {
        $format = Format::tryFrom($written);
        if ($format === Format::Money || $format === Format::Number || ($format === null && Format::isNumberPattern($written))) {
            return $this->quantity($value, $format, $written) ?? throw $this->refusal($at, $path, $value, $written, 'not_a_number');
        }

        $date = match (true) {
            $value instanceof Moment, $value instanceof Day => $value,
            is_string($value) => Moment::parse($value) ?? Day::parse($value),
            default => null,
        };
        if ($date === null) {
            throw $this->refusal($at, $path, $value, $written, 'not_a_date');
        }
        if ($date instanceof Day && $format?->needsTime()) {
            throw $this->refusal($at, $path, $value, $written, 'no_time');
        }

        return match ($format) {
            Format::RelativeDay => $this->relativeDay($date),
            null => self::tidy($this->formatter($written, $date)->format($this->instant($date)->getTimestamp()) ?: ''),
            default => $this->date($date, $format->skeleton() ?? ''),
        };
    }

    private function quantity(mixed $value, ?Format $format, string $written): ?string
    {
        if ($value instanceof Money && $format === Format::Money) {
            return $this->money($value);
        }
        $amount = match (true) {
            $value instanceof Money => (float) $value->amount,
            is_int($value), is_float($value) => $value,
            is_string($value) && is_numeric(trim($value)) => (float) trim($value),
            default => null,
        };
        if ($amount === null) {
            return null;
        }
        if ($format === Format::Money) {
            return $this->money(new Money((string) $amount, $this->currency));
        }
        $number = $format === null
            ? new \NumberFormatter($this->locale, \NumberFormatter::PATTERN_DECIMAL, $written)
            : new \NumberFormatter($this->locale, \NumberFormatter::DECIMAL);

        return self::tidy((string) $number->format($amount));
    }

    private function money(Money $money): string
    {
        $formatter = new \NumberFormatter($this->locale, \NumberFormatter::CURRENCY);

        return self::tidy((string) $formatter->formatCurrency((float) $money->amount, $money->currency));
    }

    private function date(Moment|Day $date, string $skeleton): string
    {
        $pattern = self::$patterns["$this->locale/$skeleton"] ??=
            (new \IntlDatePatternGenerator($this->locale))->getBestPattern($skeleton) ?: $skeleton;

        return self::tidy($this->formatter($pattern, $date)->format($this->instant($date)->getTimestamp()) ?: '');
    }

    private function relativeDay(Moment|Day $date): string
    {
        $today = self::dayNumber($this->now, $this->zone);
        $day =
            $date instanceof Day
                ? self::dayNumber($this->instant($date), Zone::utc())
                : self::dayNumber($date->at, $date->zone() ?? $this->zone);
        $days = $day - $today;

        $word = abs($days) <= 1 ? $this->dayWord($days) : null;
        if ($word !== null) {
            return $word;
        }
        $skeleton = match (true) {
            $days > 1 && $days < 7 => 'EEEE',
            abs($days) < 180 || gmdate('Y', $day * 86400) === gmdate('Y', $today * 86400) => 'dMMMM',
            default => 'dMMMMy',
        };

        return (self::ON[\Locale::getPrimaryLanguage($this->locale) ?? 'en'] ?? '').$this->date($date, $skeleton);
    }

    /** Yesterday, today, tomorrow, from the locale's own data. */
    private function dayWord(int $days): ?string
    {
        $known = "$this->locale/$days";
        if (array_key_exists($known, self::$dayWords)) {
            return self::$dayWords[$known];
        }
        foreach ([$this->locale, \Locale::getPrimaryLanguage($this->locale) ?? 'en'] as $locale) {
            $data = \ResourceBundle::create($locale, null, true);
            foreach (['fields', 'day', 'relative', (string) $days] as $key) {
                $data = $data instanceof \ResourceBundle ? $data->get($key) : null;
            }
            if (is_string($data)) {
                return self::$dayWords[$known] = self::tidy($data);
            }
        }

        return self::$dayWords[$known] = null;
    }

    /** Days since 1970 of the calendar day an instant falls on in a zone. */
    private static function dayNumber(\DateTimeImmutable $at, \DateTimeZone $zone): int
    {
        return (int) floor(($at->getTimestamp() + $zone->getOffset($at)) / 86400);
    }

    private function instant(Moment|Day $date): \DateTimeImmutable
    {
        return $date instanceof Moment ? $date->at : new \DateTimeImmutable($date->date.' 12:00', Zone::utc());
    }

    private function formatter(string $pattern, Moment|Day $date): \IntlDateFormatter
    {
        $zone = $date instanceof Day ? 'UTC' : ($date->zone ?? $this->zone->getName());
        if (count(self::$formatters) > 200) {
            self::$formatters = [];
        }

        return self::$formatters["$this->locale/$zone/$pattern"] ??= new \IntlDateFormatter(
            $this->locale, \IntlDateFormatter::NONE, \IntlDateFormatter::NONE, $zone, null, $pattern,
        );
    }

    private function refusal(int $at, string $path, mixed $value, string $written, string $code): TemplateError
    {
        return TemplateError::at($at, $code, ['field' => $path, 'value' => $this->plain($value), 'format' => $written]);
    }

    /** CLDR writes no-break spaces; on the air one of them would double the price of the whole text. */
    private static function tidy(string $text): string
    {
        return str_replace(["\u{00A0}", "\u{202F}", "\u{2009}", "\u{200E}", "\u{200F}"], [' ', ' ', ' ', '', ''], $text);
    }
}
