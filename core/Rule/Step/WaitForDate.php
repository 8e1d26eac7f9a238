<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\Offset;

/** A wait until so long before or after a date, worked out anew when the date changes. */
final readonly class WaitForDate implements Step
{
    public function __construct(public string $id, public string $field, public Offset $offset)
    {
    }

    public static function read(string $id, Doc $until): self
    {
        $until->allow('date', 'offset');
        /** @var array{string, Offset} $read */
        $read = $until->gather([fn (): string => $until->field('date'), fn (): Offset => Offset::read($until->object('offset'))]);

        return new self($id, ...$read);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'wait', 'until' => ['date' => $this->field, 'offset' => $this->offset->toDocument()]];
    }
}
