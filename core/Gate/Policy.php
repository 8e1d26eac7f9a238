<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Time\WeeklyHours;

/** What the business allows itself. */
final readonly class Policy
{
    /** @param  int  $sameTextSeconds for how long the same words to the same number count as a duplicate */
    public function __construct(
        public WeeklyHours $serviceHours,
        public WeeklyHours $marketingHours,
        public int $sameTextSeconds,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('decent_hours', 'same_text_seconds');
        $decent = $doc->object('decent_hours');
        $decent->allow('service', 'marketing');

        return new self(
            WeeklyHours::read($decent->object('service')),
            WeeklyHours::read($decent->object('marketing')),
            $doc->integer('same_text_seconds', 0, 604_800),
        );
    }

    public function decentHours(TextKind $kind): WeeklyHours
    {
        return $kind === TextKind::Marketing ? $this->marketingHours : $this->serviceHours;
    }
}
