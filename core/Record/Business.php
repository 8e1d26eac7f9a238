<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Text\Template\Links;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\WorkingDays;

/** The business in whose name texts go out. */
final readonly class Business
{
    /**
     * @param  string  $stopLine  what the first text on a line ends with, e.g. "Reply STOP to hear no more."
     * @param  string|null  $oneWayStopLine  the same for a sender that cannot be answered; null where there is no number to text
     * @param  string  $country  ISO 3166-1 alpha-2, of numbers and people that say none
     * @param  bool  $leapToMarch  29 February falls on 1 March in a common year
     */
    public function __construct(
        public string $name,
        public string $zone,
        public string $stopLine,
        public Tariff $tariff,
        public string $country = 'GB',
        public string $locale = 'en_GB',
        public ?WeeklyHours $opening = null,
        public WorkingDays $workingDays = new WorkingDays,
        public bool $leapToMarch = false,
        public ActivationState $sending = ActivationState::On,
        public ?string $oneWayStopLine = null,
        public string $linkBase = 'https://links.example/l/',
        public string $linkSalt = '',
    ) {
    }

    public function stopLine(bool $oneWay): string
    {
        return $oneWay ? $this->oneWayStopLine ?? '' : $this->stopLine;
    }

    public function withOneWayStopLine(string $line): self
    {
        /** @phpstan-ignore argument.type */
        return new self(...[...get_object_vars($this), 'oneWayStopLine' => $line]);
    }

    public function links(): Links
    {
        return new Links($this->linkBase, $this->linkSalt);
    }
}
