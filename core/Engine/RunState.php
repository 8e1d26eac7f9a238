<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

/** Where a run is. A value; the shell stores it. */
final readonly class RunState
{
    /**
     * @param  string|null  $step  the step it stands at; null once its steps are done
     * @param  int  $round  how often it has come past here, from 1
     * @param  \DateTimeImmutable  $arrivedAt  when it came to the step, or should have by the clock
     * @param  string|null  $awaits  name of the text or look-up it waits for
     * @param  string|null  $outcome  how it ended
     * @param  array<string, int>  $times  how often each repeat went back
     * @param  \DateTimeImmutable|null  $askedAt  when its open question left
     * @param  bool  $clarified  the open question has been put once more
     * @param  int  $heard  the newest reply to a question that was dealt with
     * @param  \DateTimeImmutable|null  $repliesFrom  texts up to here were answers or awaited, and no reason to stop
     * @param  \DateTimeImmutable|null  $anchor  the date its texts hang on now
     * @param  \DateTimeImmutable|null  $hangsOn  the date that started it; it ends when that date moves
     * @param  bool  $late  the moment of its next text was past already when it was worked out
     * @param  bool  $watching  its steps are done, and it waits for its goal
     * @param  array<string, string>  $said  what texts may merge: answer, remark, said
     * @param  string|null  $sent  name of the last text to its person that passed the gate
     * @param  array<string, OwnText>  $own  what somebody decided of its texts, by their names
     * @param  bool  $aside  one of us wrote to its person: it does nothing until it is given back
     */
    public function __construct(
        public ?string $step,
        public int $round,
        public \DateTimeImmutable $beganAt,
        public \DateTimeImmutable $arrivedAt,
        public ?string $awaits = null,
        public ?string $outcome = null,
        public array $times = [],
        public ?\DateTimeImmutable $askedAt = null,
        public bool $clarified = false,
        public int $heard = 0,
        public ?\DateTimeImmutable $repliesFrom = null,
        public ?\DateTimeImmutable $anchor = null,
        public ?\DateTimeImmutable $hangsOn = null,
        public bool $late = false,
        public bool $watching = false,
        public array $said = [],
        public ?string $sent = null,
        public array $own = [],
        public bool $aside = false,
    ) {
    }

    public static function begin(string $firstStep, \DateTimeImmutable $now): self
    {
        return new self($firstStep, 1, $now, $now);
    }

    public function isOver(): bool
    {
        return $this->step === null && ! $this->watching;
    }

    /** Where it stands, so that what somebody decided of it is not done elsewhere. */
    public function place(): string
    {
        return "$this->step/$this->round";
    }

    public function at(string $step, \DateTimeImmutable $when): self
    {
        return $this->with(['step' => $step, 'arrivedAt' => $when, 'awaits' => null, 'askedAt' => null, 'clarified' => false]);
    }

    /** With what somebody decided of one of its texts; as its rule says where that is nothing. */
    public function deciding(string $text, OwnText $own): self
    {
        return $this->with(['own' => $own->isAsItWas() ? array_diff_key($this->own, [$text => 1]) : [...$this->own, $text => $own]]);
    }

    public function awaiting(string $name): self
    {
        return $this->with(['awaits' => $name]);
    }

    public function over(string $outcome): self
    {
        return $this->with(['step' => null, 'awaits' => null, 'askedAt' => null, 'watching' => false, 'outcome' => $outcome]);
    }

    /** Its steps are done; the goal may still be met. */
    public function awaitGoal(string $outcome): self
    {
        return $this->with(['step' => null, 'awaits' => null, 'askedAt' => null, 'watching' => true, 'outcome' => $outcome]);
    }

    /** @param  array<string, mixed>  $changed */
    public function with(array $changed): self
    {
        /** @phpstan-ignore argument.type */
        return new self(...[...get_object_vars($this), ...$changed]);
    }

    /** @return array<string, mixed> what is not as at the beginning */
    public function toArray(): array
    {
        /** @var array<string, mixed> $stored */
        $stored = [];
        foreach (get_object_vars($this) as $key => $value) {
            if ($value !== null && $value !== [] && $value !== false && $value !== 0) {
                $stored[(string) $key] = $value instanceof \DateTimeImmutable ? $value->format(DATE_ATOM) : $value;
            }
        }
        if ($this->own !== []) {
            $stored['own'] = array_map(fn (OwnText $own): array => $own->toArray(), $this->own);
        }

        return $stored;
    }

    /** @param  array<string, mixed>  $stored */
    public static function fromArray(array $stored): self
    {
        foreach (['beganAt', 'arrivedAt', 'askedAt', 'repliesFrom', 'anchor', 'hangsOn'] as $key) {
            if (isset($stored[$key]) && is_string($stored[$key])) {
                $stored[$key] = new \DateTimeImmutable($stored[$key]);
            }
        }
        if (is_array($stored['own'] ?? null)) {
            /** @var array<string, array<string, mixed>> $own */
            $own = $stored['own'];
            $stored['own'] = array_map(OwnText::fromArray(...), $own);
        }

        /** @phpstan-ignore argument.type */
        return new self(...[...['step' => null], ...$stored]);
    }
}
