<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\Day;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\Zone;

/** The day as a field of hours: what left, what is to come, and when nothing may leave. All lengths in units of the drawing. */
final readonly class DayDrawn
{
    public const WIDTH = 1008;

    private const TALLEST = 62;

    /** @var list<array{x: float, width: float, height: float, count: int, coming: bool, hour: int}> */
    public array $bars;

    /** @var list<array{x: float, width: float, word: string}> */
    public array $nights;

    public float $nowAt;

    /**
     * @param  list<int>  $left  how many left, by the day's hours
     * @param  list<int>  $coming  how many are to come
     */
    public function __construct(public Day $day, public \DateTimeImmutable $now, WeeklyHours $decent, array $left, array $coming)
    {
        $this->nowAt = $day->share($now) * self::WIDTH;
        $this->bars = $this->bars($left, $coming);
        $this->nights = $this->nights($decent);
    }

    /** @return list<array{x: float, hour: string}> */
    public function hourMarks(): array
    {
        return array_values(array_map(
            fn (array $hour): array => ['x' => $this->day->share($hour['from']) * self::WIDTH, 'hour' => sprintf('%02d', $hour['hour'])],
            array_filter($this->day->hours(), fn (array $hour): bool => $hour['hour'] > 0 && $hour['hour'] % 3 === 0),
        ));
    }

    /**
     * @param  list<int>  $left
     * @param  list<int>  $coming
     * @return list<array{x: float, width: float, height: float, count: int, coming: bool, hour: int}>
     */
    private function bars(array $left, array $coming): array
    {
        $most = max(1, ...$left, ...$coming);
        $bars = [];
        foreach ($this->day->hours() as $i => $hour) {
            foreach ([[$left[$i], false], [$coming[$i], true]] as [$count, $isComing]) {
                $from = $isComing ? max($hour['from'], $this->now) : $hour['from'];
                $to = $isComing ? $hour['to'] : min($hour['to'], max($this->now, $hour['from']));
                if ($count > 0) {
                    $x = $this->day->share($from) * self::WIDTH + 3;
                    $bars[] = [
                        'x' => round($x, 1), 'width' => round(max(4.0, $this->day->share($to) * self::WIDTH - 3 - $x), 1),
                        'height' => round(max(4.0, ($count / max(4, $most)) * self::TALLEST), 1), 'count' => $count, 'coming' => $isComing,
                        'hour' => $hour['hour'],
                    ];
                }
            }
        }

        return $bars;
    }

    /** @return list<array{x: float, width: float, word: string}> */
    private function nights(WeeklyHours $decent): array
    {
        $edges = [];
        $at = $this->day->begins;
        foreach ($decent->stretches($this->day->begins, Zone::get($this->day->zone)) as [$from, $to]) {
            $edges[] = [$at, $from, 'not before '.$from->setTimezone(Zone::get($this->day->zone))->format('H:i')];
            $at = $to;
        }
        $edges[] = [
            $at,
            $this->day->ends,
            $edges === [] ? 'no automatic texts today' : 'not after '.$at->setTimezone(Zone::get($this->day->zone))->format('H:i'),
        ];

        return array_values(array_filter(array_map(fn (array $edge): array => [
            'x' => round($this->day->share($edge[0]) * self::WIDTH, 1),
            'width' => round(($this->day->share($edge[1]) - $this->day->share($edge[0])) * self::WIDTH, 1),
            'word' => $edge[2],
        ], $edges), fn (array $night): bool => $night['width'] > 0));
    }
}
