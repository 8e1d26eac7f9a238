<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\Moment;

/**
 * How fast texts may leave a line: so many in any second, minute and day, starting low on a new line if asked.
 *
 * A text that cannot leave now is given a place behind all that left or have one: the earliest moment at which no window holds more
 * than it may. A window is met by looking as many departures back as it may hold.
 */
final readonly class Pace
{
    public const DAY = 86_400;

    /** No line is warmed up beyond this. */
    private const MOST = 100_000_000;

    /**
     * @param  int|null  $perSecond  null for no limit
     * @param  \DateTimeImmutable|null  $warmSince  when the warm-up began; null for none
     * @param  int  $warmStart  texts in any 24 hours at first
     * @param  int  $warmGrowth  percent by which that grows
     * @param  int  $warmEveryDays  how often it grows
     * @param  bool  $even  spread over the day's window rather than as fast as may be
     */
    public function __construct(
        public ?int $perSecond = null,
        public ?int $perMinute = null,
        public ?int $perDay = null,
        public ?\DateTimeImmutable $warmSince = null,
        public int $warmStart = 0,
        public int $warmGrowth = 0,
        public int $warmEveryDays = 1,
        public bool $even = false,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('per_second', 'per_minute', 'per_day', 'warm_up', 'even');
        $limit = fn (string $key): ?int => $doc->has($key) ? $doc->integer($key, 1, 10_000_000) : null;
        $warm = $doc->has('warm_up') ? $doc->object('warm_up') : null;
        $warm?->allow('since', 'start', 'growth', 'every_days');

        return new self(
            $limit('per_second'), $limit('per_minute'), $limit('per_day'), $warm === null ? null : Moment::read($warm, 'since'),
            $warm?->integer('start', 1, 10_000_000) ?? 0, $warm?->integer('growth', 1, 1000) ?? 0,
            $warm?->integer('every_days', 1, 60) ?? 1, $doc->has('even') && $doc->yesNo('even'),
        );
    }

    /** How many may leave in any 24 hours, as of a moment; null for no limit. */
    public function dayLimit(int $at): ?int
    {
        if ($this->warmSince === null) {
            return $this->perDay;
        }
        $steps = max(0, intdiv($at - $this->warmSince->getTimestamp(), self::DAY * $this->warmEveryDays));
        $limit = self::grown($this->warmStart, $this->warmGrowth, $steps);

        return $this->perDay === null ? $limit : min($limit, $this->perDay);
    }

    /** How many may leave within a minute; null for no limit. */
    public function minuteLimit(): ?int
    {
        $limits = array_filter([$this->perMinute, $this->perSecond === null ? null : 60 * $this->perSecond]);

        return $limits === [] ? null : min($limits);
    }

    /** Start grown by so many percent so many times, rounded down once, at the end. */
    private static function grown(int $start, int $percent, int $steps): int
    {
        $grown = $start * (1 + $percent / 100) ** $steps;
        if ($grown >= self::MOST) {
            return self::MOST;
        }
        // So near a whole number that a float cannot tell on which side: worked out exactly.
        if (abs($grown - round($grown)) < 1e-6) {
            return (int) bcdiv(bcmul((string) $start, bcpow((string) (100 + $percent), (string) $steps)), bcpow('100', (string) $steps), 0);
        }

        return (int) floor($grown);
    }

    /**
     * How many departures back a slot depends on.
     *
     * @return list<int> ascending
     */
    public function looksBack(\DateTimeImmutable $now): array
    {
        $back = array_filter([1, $this->perSecond, $this->perMinute]);
        for ($day = 0; $day <= ($this->warmSince === null ? 0 : 60); $day++) {
            $back[] = $this->dayLimit($now->getTimestamp() + $day * self::DAY);
        }
        $back = array_unique(array_filter($back));
        sort($back);

        return $back;
    }

    public function isLimited(): bool
    {
        return $this->perSecond !== null || $this->perMinute !== null || $this->perDay !== null || $this->warmSince !== null;
    }

    /**
     * The earliest moment the next text may leave.
     *
     * @param  array<int, int>  $departed  when the k-th last left or will leave, in seconds since 1970, by k of {@see looksBack}
     * @param  int  $seed  decides the jitter of an even spread
     * @param  int  $window  seconds of the day over which an even spread is spread
     */
    public function slot(\DateTimeImmutable $now, array $departed, int $seed = 0, int $window = self::DAY): \DateTimeImmutable
    {
        $at = max($now->getTimestamp(), $departed[1] ?? 0);
        foreach ([[$this->perSecond, 1], [$this->perMinute, 60]] as [$limit, $seconds]) {
            if ($limit !== null && isset($departed[$limit])) {
                $at = max($at, $departed[$limit] + $seconds);
            }
        }
        $limit = $this->dayLimit($at);
        if ($this->even && $limit !== null && isset($departed[1])) {
            $gap = intdiv($window, $limit);
            $at = max($at, $departed[1] + $gap + ($gap > 3 ? crc32("spread $seed") % intdiv($gap, 4) : 0));
        }
        do {
            // A later moment may allow more, and a window that allows more is open no later.
            $limit = $this->dayLimit($at);
            $before = $at;
            if ($limit !== null && isset($departed[$limit])) {
                $opens = $departed[$limit] + self::DAY;
                $at = max($at, $this->warmSince === null ? $opens : min($opens, $this->nextGrowth($at)));
            }
        } while ($at > $before);

        return $now->setTimestamp($at);
    }

    private function nextGrowth(int $at): int
    {
        $step = self::DAY * $this->warmEveryDays;
        $since = $this->warmSince?->getTimestamp() ?? 0;

        return $since + (max(0, intdiv($at - $since, $step)) + 1) * $step;
    }
}
