<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

/** Where a run is. A value; the shell stores it. */
final readonly class RunState
{
    /**
     * @param  string|null  $step  the step it stands at; null once ended
     * @param  int  $round  how often it has come past here, from 1
     * @param  \DateTimeImmutable  $arrivedAt  when it came to the step
     * @param  string|null  $awaits  name of the text it waits for
     * @param  string|null  $outcome  how it ended
     */
    private function __construct(
        public ?string $step,
        public int $round,
        public \DateTimeImmutable $beganAt,
        public \DateTimeImmutable $arrivedAt,
        public ?string $awaits,
        public ?string $outcome,
    ) {
    }

    public static function begin(string $firstStep, \DateTimeImmutable $now): self
    {
        return new self($firstStep, 1, $now, $now, null, null);
    }

    public function isOver(): bool
    {
        return $this->step === null;
    }

    public function at(string $step, \DateTimeImmutable $now): self
    {
        return new self($step, $this->round, $this->beganAt, $now, null, null);
    }

    public function awaiting(string $text): self
    {
        return new self($this->step, $this->round, $this->beganAt, $this->arrivedAt, $text, null);
    }

    public function over(string $outcome): self
    {
        return new self(null, $this->round, $this->beganAt, $this->arrivedAt, null, $outcome);
    }

    /** @return array{step: string|null, round: int, began_at: string, arrived_at: string, awaits: string|null, outcome: string|null} */
    public function toArray(): array
    {
        return [
            'step' => $this->step,
            'round' => $this->round,
            'began_at' => $this->beganAt->format(DATE_ATOM),
            'arrived_at' => $this->arrivedAt->format(DATE_ATOM),
            'awaits' => $this->awaits,
            'outcome' => $this->outcome,
        ];
    }

    /** @param  array{step: string|null, round: int, began_at: string, arrived_at: string, awaits: string|null, outcome: string|null}  $stored */
    public static function fromArray(array $stored): self
    {
        return new self($stored['step'], $stored['round'], new \DateTimeImmutable($stored['began_at']),
            new \DateTimeImmutable($stored['arrived_at']), $stored['awaits'], $stored['outcome']);
    }
}
