<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Sabre\VObject\InvalidDataException;
use Sabre\VObject\Recur\RRuleIterator;

/**
 * Moments that come back by a rule.
 *
 * Source: RFC 5545 section 3.3.10 (RRULE), reckoned on the clock on the wall of a zone.
 */
final readonly class Recurrence
{
    /** A rule that comes about more often than this between two moments asked for is not followed further. */
    private const MOST = 20_000;

    private function __construct(public \DateTimeImmutable $first, public string $rule)
    {
    }

    /** @return self|null null if the rule cannot be read or cannot come about, or comes back within less than an hour */
    public static function of(\DateTimeImmutable $first, string $rule): ?self
    {
        if (preg_match('/^[A-Z-]+=[^=;]+(;[A-Z-]+=[^=;]+)*;?$/iD', $rule) !== 1 || ! RecurrenceParts::canComeAbout($first, $rule)) {
            return null;
        }
        try {
            new RRuleIterator($rule, $first);
        } catch (InvalidDataException|\ValueError|\TypeError) {
            return null;
        }

        return new self($first, $rule);
    }

    /** The first of its moments later than another; null if there is none. */
    public function after(\DateTimeImmutable $moment): ?\DateTimeImmutable
    {
        $moments = new RRuleIterator($this->rule, $this->first);
        for ($tries = 0; $moments->valid() && $tries < self::MOST; $moments->next(), $tries++) {
            $at = $moments->current();
            if ($at instanceof \DateTimeInterface && $at > $moment && ($tries === 0 || $this->isOne($at))) {
                return \DateTimeImmutable::createFromInterface($at)->setTimezone(Zone::utc());
            }
        }

        return null;
    }

    /** The library moves a day that a month does not have into the next month; the standard leaves it out. */
    private function isOne(\DateTimeInterface $at): bool
    {
        foreach (['BYMONTH' => 'n', 'BYMONTHDAY' => 'j'] as $part => $format) {
            if (preg_match("/(?:^|;)$part=([0-9,]+)(?:;|$)/i", $this->rule, $found) === 1 && ! in_array($at->format($format), array_map(fn (string $one): string => ltrim($one, '0'), explode(',', $found[1])), true)) {
                return false;
            }
        }

        return true;
    }
}
