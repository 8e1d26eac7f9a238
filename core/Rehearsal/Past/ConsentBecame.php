<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

/** Somebody agreed or withdrew, otherwise than by a text; or what read like a stop was decided. */
final readonly class ConsentBecame extends PastEvent
{
    /**
     * @param  array{optedOut?: bool, optedIn?: bool}  $to  nothing where it was decided that it is no stop
     * @param  bool  $decided  somebody decided what a text meant
     */
    public function __construct(
        \DateTimeImmutable $at,
        int $personId,
        public string $number,
        public array $to,
        public bool $decided,
    ) {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        $known = $replay->engine->reader->consent($this->number);
        $replay->sheet->consent[$this->number] = [
            ...$known, ...$this->to, ...($this->decided ? ['mayHaveOptedOut' => false] : []),
        ];
        $replay->askAgain((int) $this->personId);
    }
}
