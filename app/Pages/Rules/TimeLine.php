<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Time\WeeklyHours;

/**
 * A rehearsed run as a drawing: between two things that happen, width follows time up to a limit; where nothing happens for long, the
 * axis is broken. All lengths in units of the drawing.
 */
final readonly class TimeLine
{
    public const WIDTH = 1046;

    private const PER_HOUR = 13.0;

    private const LEAST = 58.0;

    private const WITH_WORDS = 128.0;

    private const MOST = 330.0;

    private const BREAK_HOURS = 40;

    private const BREAK_WIDTH = 104.0;

    /** @var array<int, float> x by timestamp, in order */
    private array $places;

    /** @var list<array{from: float, to: float, days: int}> */
    public array $breaks;

    private \DateTimeZone $zone;

    public function __construct(
        private Rehearsed $rehearsed,
        private WeeklyHours $decent,
        string $zone,
        public string $anchorWord,
        private Rule $rule,
    ) {
        $this->zone = new \DateTimeZone($zone);
        [$this->places, $this->breaks] = $this->place();
    }

    public function anchorX(): float
    {
        return $this->x($this->anchor());
    }

    /** How wide the flag is that says what it hangs on. */
    public function flagWidth(): float
    {
        return max(46.0, round(7.0 * mb_strlen($this->anchorWord, 'UTF-8') + 16.0, 1));
    }

    /** Empty where a text leaves at that moment, and says it; and for a date, which has no hour. */
    public function anchorTime(): string
    {
        foreach ($this->marks() as $mark) {
            if (abs($mark['x'] - $this->anchorX()) < 24.0) {
                return '';
            }
        }

        $time = $this->anchor()->setTimezone($this->zone)->format('H:i');

        return $time === '00:00' ? '' : $time;
    }

    /** @return list<array{step: string, letter: string, x: float, wantedX: float|null, when: string, why: string, lost: bool}> */
    public function marks(): array
    {
        $letters = RuleWriter::targets($this->rule)[1];

        return array_map(function (RehearsedText $text) use ($letters): array {
            $held = $text->leavesAt !== null && $text->leavesAt > $text->wantedAt;
            $local = fn (\DateTimeImmutable $at): string => $at->setTimezone($this->zone)->format('H:i');

            return [
                'step' => $text->step,
                'letter' => $letters[$text->step] ?? '?',
                'x' => $this->x($text->leavesAt ?? $text->wantedAt),
                'wantedX' => $held ? $this->x($text->wantedAt) : null,
                'when' => $local($text->leavesAt ?? $text->wantedAt),
                'why' => $held ? 'held from '.$local($text->wantedAt) : ($text->leavesAt === null ? 'not sent' : ''),
                'lost' => $text->leavesAt === null,
            ];
        }, $this->rehearsed->texts);
    }

    /** @return list<array{x: float, width: float}> when no automatic text may leave */
    public function nights(): array
    {
        $nights = [];
        $times = array_keys($this->places);
        for ($i = 0; $i + 1 < count($times); $i++) {
            if (self::BREAK_HOURS * 3600 < $times[$i + 1] - $times[$i]) {
                continue;
            }
            foreach ($this->closed($times[$i], $times[$i + 1]) as [$from, $to]) {
                $nights[] = ['x' => $this->xAt($from), 'width' => round($this->xAt($to) - $this->xAt($from), 1)];
            }
        }

        return $this->joined($nights);
    }

    /** @return list<array{x: float, word: string}> */
    public function days(): array
    {
        $days = [];
        $shown = '';
        $last = -100.0;
        foreach ($this->places as $time => $x) {
            $local = (new \DateTimeImmutable("@$time"))->setTimezone($this->zone);
            if ($local->format('Y-m-d') !== $shown && $x - $last > 52) {
                $days[] = ['x' => $x, 'word' => $local->format(str_starts_with($shown, $local->format('Y-m')) ? 'D j' : 'D j M')];
                [$shown, $last] = [$local->format('Y-m-d'), $x];
            }
        }

        return $days;
    }

    public function endX(): float
    {
        return min(self::WIDTH - 16.0, max(0.0, ...$this->places) + 110.0);
    }

    private function begins(): float
    {
        return $this->flagWidth() + 14.0;
    }

    /** @return array{array<int, float>, list<array{from: float, to: float, days: int}>} */
    private function place(): array
    {
        $words = [];
        $times = [$this->anchor()->getTimestamp() => true];
        foreach ($this->rehearsed->texts as $text) {
            $leaves = ($text->leavesAt ?? $text->wantedAt)->getTimestamp();
            $times[$text->wantedAt->getTimestamp()] = $times[$leaves] = true;
            $words[$leaves] = true;
        }
        ksort($times);
        $times = array_keys($times);

        $widths = [];
        for ($i = 1; $i < count($times); $i++) {
            $hours = ($times[$i] - $times[$i - 1]) / 3600;
            $least = isset($words[$times[$i - 1]]) ? self::WITH_WORDS : self::LEAST;
            $widths[$i] = $hours > self::BREAK_HOURS ? self::BREAK_WIDTH + $least : max($least, min(self::MOST, $hours * self::PER_HOUR));
        }
        $room = self::WIDTH - $this->begins() - 170.0;
        $scale = $widths === [] ? 1.0 : min(2.4, $room / array_sum($widths));

        $places = [$times[0] => $this->begins()];
        $breaks = [];
        for ($i = 1; $i < count($times); $i++) {
            $from = $places[$times[$i - 1]];
            $places[$times[$i]] = round($from + $widths[$i] * $scale, 1);
            $seconds = $times[$i] - $times[$i - 1];
            if ($seconds > self::BREAK_HOURS * 3600) {
                $middle = ($from + $places[$times[$i]]) / 2;
                $breaks[] = ['from' => $middle - 8, 'to' => $middle + 8, 'days' => (int) round($seconds / 86400)];
            }
        }

        return [$places, $breaks];
    }

    /** What it hangs on: the date that starts it, or what happened. */
    private function anchor(): \DateTimeImmutable
    {
        return $this->rehearsed->hangsOn ?? $this->rehearsed->beganAt;
    }

    private function x(\DateTimeImmutable $at): float
    {
        return $this->places[$at->getTimestamp()];
    }

    private function xAt(int $time): float
    {
        $before = null;
        foreach ($this->places as $at => $x) {
            if ($at === $time) {
                return $x;
            }
            if ($at > $time && $before !== null) {
                return round($before[1] + ($x - $before[1]) * ($time - $before[0]) / ($at - $before[0]), 1);
            }
            $before = [$at, $x];
        }

        return $before[1] ?? 0.0;
    }

    /** @return list<array{int, int}> */
    private function closed(int $from, int $to): array
    {
        $closed = [];
        $at = $from;
        for (
            $day = (new \DateTimeImmutable("@$from"))->modify('-1 day');
            $day->getTimestamp() <= $to + 86400;
            $day = $day->modify('+1 day')
        ) {
            foreach ($this->decent->stretches($day, $this->zone) as [$opens, $closes]) {
                if ($opens->getTimestamp() > $at) {
                    $closed[] = [$at, min($to, $opens->getTimestamp())];
                }
                $at = max($at, $closes->getTimestamp());
                if ($at >= $to) {
                    break 2;
                }
            }
        }
        if ($at < $to) {
            $closed[] = [$at, $to];
        }

        return array_values(array_filter($closed, fn (array $stretch): bool => $stretch[1] > $stretch[0] && $stretch[0] < $to));
    }

    /**
     * @param  list<array{x: float, width: float}>  $nights
     * @return list<array{x: float, width: float}>
     */
    private function joined(array $nights): array
    {
        $joined = [];
        foreach ($nights as $night) {
            $before = array_pop($joined);
            if ($before !== null && abs($before['x'] + $before['width'] - $night['x']) < 0.6) {
                $joined[] = ['x' => $before['x'], 'width' => $before['width'] + $night['width']];
            } else {
                array_push($joined, ...array_filter([$before, $night]));
            }
        }

        return $joined;
    }
}
