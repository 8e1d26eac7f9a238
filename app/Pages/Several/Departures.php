<?php

declare(strict_types=1);

namespace App\Pages\Several;

use App\Clock\TimeFormatter;
use App\Models\SeveralPerson;
use App\Models\TextToSeveral;
use Linnet\Core\Time\Zone;

/**
 * When those texts would leave, hour by hour, drawn: what is held has a thread from its moment to where it leaves. Lengths in units of the
 * drawing.
 */
final readonly class Departures
{
    public const WIDTH = 640;

    public const AXIS = 84;

    private const ROOM = 56;

    /** Where it takes longer than so many hours, the drawing goes by days. */
    private const HOURS = 60;

    /** Seconds after which a text counts as held. */
    private const IS_HELD = 1800;

    /** Names below it stand so far apart at least. */
    private const APART = 72;

    /**
     * @param  int  $step  seconds that a bar stands for
     * @param  array<int, int>  $texts  by the beginning of their step
     * @param  array<int, string|null>  $places  where those of a step are, if all are in one place
     * @param  list<array{int, int}>  $held  from where to where
     */
    private function __construct(private string $zone, private int $step, private array $texts, private array $places, private array $held)
    {
    }

    public static function of(TextToSeveral $several, string $zone): self
    {
        $rows = $several->people()->toBase()->where('outcome', SeveralPerson::GETS)->groupBy('leaves_at', 'wanted_at', 'zone')
            ->selectRaw('leaves_at, wanted_at, zone, count(*) as many')->orderBy('leaves_at')->get();
        $at = fn (mixed $moment): int => (new \DateTimeImmutable((string) $moment, new \DateTimeZone('UTC')))->getTimestamp();
        $all = $rows->map(
            fn (\stdClass $row): array => [$at($row->wanted_at), $at($row->leaves_at), (int) $row->many, (string) $row->zone],
        );
        $moments = $all->flatMap(fn (array $one): array => [$one[0], $one[1]])->all();
        $span = $moments === [] ? 0 : max($moments) - min($moments);
        $step = $span > self::HOURS * 3600 ? 86_400 : 3600;
        $texts = $places = $held = [];
        foreach ($all as [$wanted, $leaves, $many, $place]) {
            [$from, $to] = [$wanted - $wanted % $step, $leaves - $leaves % $step];
            $texts[$to] = ($texts[$to] ?? 0) + $many;
            $places[$to] = ! array_key_exists($to, $places) || $places[$to] === $place ? $place : null;
            if ($leaves - $wanted >= self::IS_HELD) {
                $held["$from/$to"] = [$from, $to];
            }
        }

        return new self($zone, $step, $texts, $places, array_values($held));
    }

    /** @return list<array{x: float, y: float, width: float, height: float, label: string, says: string}> */
    public function bars(): array
    {
        $most = max([1, ...$this->texts]);
        $bars = [];
        foreach ($this->texts as $at => $many) {
            $height = max(3.0, round(self::ROOM * $many / $most, 1));
            $bars[] = [
                'x' => $this->x($at), 'y' => self::AXIS - $height, 'width' => max(5.0, round($this->width() - 3, 1)), 'height' => $height,
                'label' => number_format($many).(($this->places[$at] ?? null) === null || $this->width() < 50
                    ? ''
                    : ' '.TimeFormatter::place($this->places[$at])),
                'says' => number_format($many).($this->step === 3600 ? ' from ' : ' on ').$this->moment($at),
            ];
        }

        return $bars;
    }

    /** @return list<array{from: float, to: float}> */
    public function threads(): array
    {
        return array_map(fn (array $one): array => ['from' => $this->x($one[0]), 'to' => $this->x($one[1])], $this->held);
    }

    /** @return list<array{x: float, says: string}> the hours, or days, that are named below it */
    public function marks(): array
    {
        [$from, $count] = $this->range();
        $every = max(1, (int) ceil(self::APART / $this->width()));
        $marks = [];
        for ($i = 0; $i < $count; $i += $every) {
            $at = $from + $i * $this->step;
            $local = (new \DateTimeImmutable("@$at"))->setTimezone(Zone::get($this->zone));
            $marks[] = [
                'x' => $this->x($at),
                'says' => match (true) {
                    $this->step !== 3600 => $local->format('D j'),
                    $i === 0 || (int) $local->format('G') < $every => $local->format('D H:i'),
                    default => $local->format('H:i'),
                },
            ];
        }

        return $marks;
    }

    private function moment(int $at): string
    {
        $local = (new \DateTimeImmutable("@$at"))->setTimezone(Zone::get($this->zone));

        return $local->format($this->step === 3600 ? 'D H:i' : 'D j F');
    }

    private function x(int $at): float
    {
        return round(($at - $this->range()[0]) / $this->step * $this->width(), 1);
    }

    private function width(): float
    {
        return min(60.0, (self::WIDTH - 10) / $this->range()[1]);
    }

    /** @return array{int, positive-int} where it begins, and how many steps it has */
    private function range(): array
    {
        $moments = [...array_keys($this->texts), ...array_column($this->held, 0)];
        if ($moments === []) {
            return [0, 1];
        }

        return [min($moments), max(1, intdiv(max($moments) - min($moments), $this->step) + 1)];
    }
}
