<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Record\Change\ReportedStatus;
use Linnet\Core\Record\Change\StatusReported;

/** Somebody opened a link of a rule's text. It counts if that rule has texted them on paper too. */
final readonly class LinkOpened extends PastEvent
{
    /** @param  string|null  $rule  its key */
    public function __construct(\DateTimeImmutable $at, int $personId, public string $ruleId, public ?string $rule)
    {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        if (isset($replay->sheet->lastTexts[(int) $this->personId][$this->ruleId])) {
            $replay->happens(new StatusReported(ReportedStatus::LinkOpened, $this->rule), (int) $this->personId, null, false);
        }
    }
}
