<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

/** Somebody wrote. Who writes has a number that is in use. */
final readonly class TextCame extends PastEvent
{
    /** @param  string  $line  key of the line they wrote to */
    public function __construct(
        \DateTimeImmutable $at,
        int $personId,
        public string $line,
        public string $number,
        public string $text,
    ) {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        if (isset($replay->sheet->people[(int) $this->personId])) {
            $replay->numberIs((int) $this->personId, $this->number, true);
            $replay->engine->inbound->receive((int) $this->personId, $this->line, $this->number, $this->text);
        }
    }
}
