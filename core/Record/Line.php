<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Time\WeeklyHours;

/** What texts are sent from: a number, or a name that cannot be answered. */
final readonly class Line
{
    /**
     * @param  string|null  $number  E.164; null for a name
     * @param  int|null  $staffId  whose own line it is
     * @param  list<string>  $countries  ISO 3166 of those it sends to; empty for all
     * @param  WeeklyHours|null  $hours  when it sends, by the clock of the business; null for always
     * @param  string|null  $pool  the name under which it stands in for others
     */
    public function __construct(
        public int $id,
        public string $key,
        public string $name,
        public ?string $number,
        public ActivationState $power = ActivationState::On,
        public Pace $pace = new Pace,
        public Health $health = new Health,
        public ?int $staffId = null,
        public array $countries = [],
        public ?WeeklyHours $hours = null,
        public ?string $pool = null,
    ) {
    }

    /** The same, numbered, switched or paced otherwise. */
    public function with(?int $id = null, ?ActivationState $power = null, ?Pace $pace = null): self
    {
        return new self(
            $id ?? $this->id, $this->key, $this->name, $this->number, $power ?? $this->power, $pace ?? $this->pace,
            $this->health, $this->staffId,
            $this->countries, $this->hours, $this->pool,
        );
    }

    /** The first moment from then on at which it sends, by the clock of the business; null where there is none. */
    public function opens(\DateTimeImmutable $at, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        return $this->hours === null ? $at : $this->hours->nextOpen($at, $zone);
    }

    public function sendsTo(string $country): bool
    {
        return $this->countries === [] || in_array($country, $this->countries, true);
    }

    /**
     * The line a record came in by: the value of its first field that holds one.
     *
     * @param  iterable<self>  $lines
     */
    public static function broughtBy(Record $record, iterable $lines): ?self
    {
        foreach ($record->type->fields as $field) {
            foreach ($field->kind === FieldKind::Line ? $lines : [] as $line) {
                if ($line->number !== null && $line->number === ($record->values[$field->key] ?? null)) {
                    return $line;
                }
            }
        }

        return null;
    }

    public function isOneWay(): bool
    {
        return $this->number === null;
    }

    /** Whether a name can be a sender: up to 11 letters, digits and spaces, at least one letter (3GPP TS 23.040, 9.1.2.5). */
    public static function canBeName(string $name): bool
    {
        return preg_match('/^(?=.*[A-Za-z])[A-Za-z0-9 ]{1,11}$/D', $name) === 1 && trim($name) === $name;
    }
}
