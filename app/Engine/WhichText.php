<?php

declare(strict_types=1);

namespace App\Engine;

/** One text of one person that may come: of a run, or of one that a rule will begin for them. */
final readonly class WhichText
{
    /**
     * @param  int  $personId  whom its run is about
     * @param  int  $toPersonId  whom it goes to: the same, but where it goes to somebody else who has to do with the record
     * @param  int|null  $runId  null where it has not begun
     * @param  string  $name  step/round
     * @param  string  $called  what it is called on its rule's page
     */
    public function __construct(
        public int $ruleId,
        public int $personId,
        public int $toPersonId,
        public ?int $recordId,
        public ?int $runId,
        public string $name,
        public string $called,
    ) {
    }
}
