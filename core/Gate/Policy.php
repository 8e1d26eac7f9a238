<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\HealthLimits;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Time\WeeklyHours;

/** What the business allows itself. */
final readonly class Policy
{
    /**
     * @param  int  $sameTextSeconds  for how long the same words to the same number count as a duplicate
     * @param  int|null  $monthMicros  what automatic texts may cost in a month, in millionths; null for no limit
     * @param  int  $staleMinutes  a text that became due while its rule was paused is dropped when it is later than this
     */
    public function __construct(
        public WeeklyHours $serviceHours,
        public WeeklyHours $marketingHours,
        public int $sameTextSeconds,
        public Cap $cap = new Cap,
        public ?int $monthMicros = null,
        public int $staleMinutes = 60,
        public HealthLimits $health = new HealthLimits,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('decent_hours', 'same_text_seconds', 'cap', 'month_micros', 'stale_minutes', 'health');
        $decent = $doc->object('decent_hours');
        $decent->allow('service', 'marketing');

        return new self(
            WeeklyHours::read($decent->object('service')),
            WeeklyHours::read($decent->object('marketing')),
            $doc->integer('same_text_seconds', 0, 604_800),
            $doc->has('cap') ? Cap::read($doc->object('cap')) : new Cap,
            $doc->has('month_micros') ? $doc->integer('month_micros', 0, PHP_INT_MAX) : null,
            $doc->has('stale_minutes') ? $doc->integer('stale_minutes', 0, 10_080) : 60,
            $doc->has('health') ? HealthLimits::read($doc->object('health')) : new HealthLimits,
        );
    }

    public function decentHours(TextKind $kind): WeeklyHours
    {
        return $kind === TextKind::Marketing ? $this->marketingHours : $this->serviceHours;
    }
}
