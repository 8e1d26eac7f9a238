<?php

declare(strict_types=1);

namespace App\Intake;

/** What was written for one thing that came in. */
final readonly class Written
{
    /**
     * @param  array<string, mixed>  $from  values before, of what changed
     * @param  array<string, mixed>  $to  values after
     * @param  bool  $newPerson  the person was not known before
     */
    public function __construct(
        public IntakeResult $outcome,
        public ?int $recordId,
        public ?int $personId,
        public array $from,
        public array $to,
        public bool $newPerson,
    ) {
    }
}
