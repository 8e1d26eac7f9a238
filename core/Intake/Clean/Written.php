<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Intake\DateOrder;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\WrittenDate;
use Linnet\Core\Record\Place;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

/** A date as people write it, in a stated order of day and month, by the clock of a stated zone. */
final readonly class Written implements Clean
{
    private function __construct(private DateOrder $order, private ?string $zone)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'order', 'zone');
        $zone = $doc->optionalText('zone', 60);

        return $zone === null || in_array($zone, \DateTimeZone::listIdentifiers(), true)
            ? new self($doc->choice('order', DateOrder::class), $zone)
            : throw Unreadable::at("$doc->path.zone", 'zone_expected', ['written' => $zone]);
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): string
    {
        $read = WrittenDate::parse((string) $value, $this->order, Zone::get($this->zone ?? $place->zone));

        return match (true) {
            $read instanceof Moment => $read->at->format('Y-m-d\TH:i:s\Z'),
            $read instanceof Day => $read->date,
            default => throw Refused::value('not_written_date', $path, $value, ['example' => $this->order->example()]),
        };
    }

    public function toDocument(): array
    {
        return ['do' => 'date', 'order' => $this->order->value] + ($this->zone === null ? [] : ['zone' => $this->zone]);
    }
}
