<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Reason;

/** How a source's deliveries become records. */
final readonly class Mapping
{
    /**
     * @param  list<OnlyIf>  $onlyIf
     * @param  array<string, Taken>  $person
     * @param  array<string, Taken>  $fields
     */
    private function __construct(
        public string $type,
        private string $country,
        private array $onlyIf,
        private ?Taken $externalId,
        private ?Taken $number,
        private array $person,
        private array $fields,
    ) {
    }

    /** @throws \Linnet\Core\Document\Unreadable */
    public static function read(Doc $doc): self
    {
        $doc->allow('type', 'country', 'only_if', 'external_id', 'number', 'person', 'fields');

        return new self(
            $doc->name('type'),
            $doc->text('country', 2),
            $doc->has('only_if') ? $doc->each('only_if', OnlyIf::read(...)) : [],
            $doc->has('external_id') ? Taken::read($doc->object('external_id')) : null,
            $doc->has('number') ? Taken::read($doc->object('number')) : null,
            $doc->has('person') ? self::table($doc->object('person')) : [],
            self::table($doc->object('fields')),
        );
    }

    /**
     * @param  mixed  $delivery  the decoded JSON
     *
     * @throws Refused where a value cannot be read
     */
    public function clean(mixed $delivery): Cleaned|LeftOut
    {
        if (! is_array($delivery) || array_is_list($delivery)) {
            throw Refused::because('not_an_object');
        }
        foreach ($this->onlyIf as $test) {
            $reason = $test->leavesOut($delivery);
            if ($reason !== null) {
                return new LeftOut($reason);
            }
        }

        $externalId = $this->externalId?->from($delivery, $this->country);
        if ($this->externalId !== null && $externalId === null) {
            throw Refused::because('no_external_id');
        }
        [$number, $note] = $this->number($delivery);
        $person = array_map(fn (Taken $taken): string => (string) $taken->from($delivery, $this->country), $this->person);

        return new Cleaned(
            $this->type,
            $externalId === null ? null : mb_substr((string) $externalId, 0, 190, 'UTF-8'),
            $number,
            array_filter($person, fn (string $value): bool => $value !== ''),
            array_map(fn (Taken $taken): string|int|float|null => $taken->from($delivery, $this->country), $this->fields),
            $note,
        );
    }

    /**
     * A number nobody can read is no reason to lose the record; it is said beside it.
     *
     * @return array{PhoneNumber|null, Reason|null}
     */
    private function number(mixed $delivery): array
    {
        if ($this->number === null) {
            return [null, null];
        }
        $raw = $this->number->raw($delivery);
        if ($raw !== null && ! is_string($raw) && ! is_int($raw)) {
            throw Refused::because('not_a_phone', ['path' => 'number', 'written' => gettype($raw)]);
        }
        try {
            return [Numbers::read((string) $raw, $this->country), null];
        } catch (NotANumber $e) {
            return [null, $e->reason()];
        }
    }

    /** @return array<string, Taken> */
    private static function table(Doc $doc): array
    {
        $table = [];
        foreach (array_keys(is_array($doc->value) ? $doc->value : []) as $key) {
            $table[(string) $key] = Taken::read($doc->object((string) $key));
        }

        return $table;
    }
}
