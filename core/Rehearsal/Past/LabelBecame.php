<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Engine\Cause;
use Linnet\Core\Record\Change\LabelKind;

/** A tag or list was added to somebody, or taken away. */
final readonly class LabelBecame extends PastEvent
{
    /** @param  bool  $silent  rules were not to act on it */
    public function __construct(
        \DateTimeImmutable $at,
        int $personId,
        public LabelKind $kind,
        public string $name,
        public bool $added,
        public bool $silent,
    ) {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        if (isset($replay->sheet->people[(int) $this->personId])) {
            $before = count($replay->sheet->events);
            $replay->engine->sideEffects->label((int) $this->personId, $this->kind, $this->name, $this->added, new Cause);
            $this->silent && array_splice($replay->sheet->events, $before);
        }
    }
}
