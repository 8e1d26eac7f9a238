<?php

declare(strict_types=1);

namespace Demo\Season;

use Demo\People;

/** Ninety winter days on the quay: every record's life, in the order of time. The same every time; longer for more people. */
final readonly class Season
{
    public const FIRST_DAY = '2025-11-29';

    public const DAYS = 90;

    private Calendar $calendar;

    private Lives $lives;

    /** @var non-empty-list<string> */
    private array $numbers;

    public function __construct(private int $people = People::MANY, int $days = self::DAYS)
    {
        $this->calendar = new Calendar(
            (new \DateTimeImmutable(self::FIRST_DAY))->modify('+'.(self::DAYS - $days).' days')->format('Y-m-d'),
            $days,
            'Europe/London',
        );
        $this->lives = new Lives($this->calendar);
        $numbers = array_column(self::guests($people), 'number');
        $this->numbers = $numbers === [] ? throw new \LogicException('A season needs more people.') : $numbers;
    }

    /**
     * @return list<array{first_name?: string, last_name?: string, number: string, handset: 'mobile'|'landline'|'dead', zone?: string}>
     * those it happens to: everybody but the named ones, who have parts of their own
     */
    public static function guests(int $people): array
    {
        return array_slice(People::town($people), count(People::named()));
    }

    public function begins(): \DateTimeImmutable
    {
        return $this->calendar->moment(0);
    }

    public function ends(): \DateTimeImmutable
    {
        return $this->calendar->moment($this->calendar->days * 86_400);
    }

    /** @return \Generator<int, Event> oldest first */
    public function events(): \Generator
    {
        // Kept as short words, which sort as they come and take little room when there are a million.
        $order = [];
        $last = $this->calendar->days * 86_400;
        foreach (array_keys(Lives::MANY) as $t => $type) {
            for ($i = 0, $many = $this->many($type); $i < $many; $i++) {
                foreach ($this->lives->of($type, $i) as $step => [$at]) {
                    if ($at < $last) {
                        $order[] = pack('NCNC', $at, $t, $i, $step);
                    }
                }
            }
        }
        sort($order, SORT_STRING);
        $types = array_keys(Lives::MANY);
        foreach ($order as $word) {
            /** @var array{at: int, t: int, i: int, step: int} $said */
            $said = unpack('Nat/Ct/Ni/Cstep', $word);
            $type = $types[$said['t']];
            yield new Event(
                $this->calendar->moment($said['at']), $type, sprintf('%s%05d', strtoupper($type[0]).$said['t'], $said['i'] + 1),
                $this->somebody('who', $type, $said['i']), $this->hosted($this->lives->of($type, $said['i'])[$said['step']][1], $said['i']),
            );
        }
    }

    private function somebody(string $part, string $type, int $i): string
    {
        return $this->numbers[Chance::below(count($this->numbers), $part, $type, $i)];
    }

    /**
     * @param  array<string, scalar>  $fields
     * @return array<string, scalar> a party of four has somebody who meets them on the quay
     */
    private function hosted(array $fields, int $i): array
    {
        return ($fields['places'] ?? 0) === 4 ? $fields + ['host' => $this->somebody('host', 'booking', $i)] : $fields;
    }

    private function many(string $type): int
    {
        // 400 people have as many as there are in the list over the whole season.
        return (int) ceil(Lives::MANY[$type] * $this->people / 400 * $this->calendar->days / self::DAYS);
    }
}
