<?php

declare(strict_types=1);

namespace App\Pages;

/**
 * Texts day by day, or hour by hour, as bars: upwards the version that is asked about, downwards the one that is on. Lengths in units of
 * the drawing.
 *
 * @phpstan-type Bar array{i: int, name: string, x: float, width: float, top: float, texts: float, held: float, below: float,
 * says: array{int, int, int|null}}
 */
final readonly class Bars
{
    public const WIDTH = 640;

    private const RIGHT = 10;

    private const GAP = 3.0;

    /**
     * @param  list<string>  $names  of the days or hours, in their order
     * @param  array<array-key, array{int, int}>  $up  texts, and how many of them were held, by name
     * @param  array<array-key, array{int, int}>|null  $down  null where there is nothing beside it
     */
    public function __construct(private array $names, private array $up, private ?array $down, private int $room, private int $under)
    {
    }

    public function axis(): int
    {
        return $this->room + 16;
    }

    public function height(): int
    {
        return $this->axis() + ($this->down === null ? 0 : $this->under) + 22;
    }

    /** @return list<Bar> */
    public function all(): array
    {
        $step = (self::WIDTH - self::RIGHT) / max(1, count($this->names));
        $bars = [];
        foreach ($this->names as $i => $name) {
            [$texts, $held] = $this->up[$name] ?? [0, 0];
            $down = $this->down === null ? null : $this->down[$name][0] ?? 0;
            $bars[] = [
                'i' => $i, 'name' => $name, 'x' => round($i * $step + 1, 1), 'width' => round(max(1.0, $step - self::GAP), 1),
                'top' => round($this->axis() - $this->length($texts), 1), 'texts' => round($this->length($texts - $held), 1),
                'held' => round($this->length($held), 1), 'below' => round($this->length($down ?? 0) * $this->under / $this->room, 1),
                'says' => [$texts, $held, $down],
            ];
        }

        return $bars;
    }

    /** @return list<array{y: float, says: int}> lines to read heights by */
    public function marks(): array
    {
        $most = $this->most();
        $step = max(1, 10 ** (strlen((string) $most) - 1));
        $step = $most / $step < 3 ? max(1, intdiv($step, 2)) : $step;
        $marks = [];
        for ($at = $step; $at <= $most; $at += $step) {
            $marks[] = ['y' => round($this->axis() - $this->length($at), 1), 'says' => $at];
        }

        return count($marks) <= 6 ? $marks : array_values(array_filter($marks, fn (int $i): bool => $i % 2 === 1, ARRAY_FILTER_USE_KEY));
    }

    /** How a day is called under the drawing; empty for most of them, and where it would be cut off at the edge. */
    public function dayWord(int $i): string
    {
        $all = count($this->names);
        $day = new \DateTimeImmutable($this->names[$i]);
        $isNamed = $all > 60 ? $day->format('j') === '1' : $i % max(1, (int) ceil($all / 6)) === 0;

        return $isNamed && $i <= 0.94 * $all ? $day->format('j M') : '';
    }

    private function most(): int
    {
        return max([1, ...array_column($this->up, 0), ...array_column($this->down ?? [], 0)]);
    }

    private function length(int $many): float
    {
        return $many * $this->room / $this->most();
    }
}
