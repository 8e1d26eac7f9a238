<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Reason;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Place;
use Linnet\Core\Time\Moment;

/** How what a source sends becomes records: a document, read once. */
final readonly class Mapping
{
    /**
     * @param  list<OnlyIf>  $onlyIf
     * @param  array<string, Taken>  $taken  by target, such as "fields.stage"
     */
    private function __construct(
        public string $type,
        public Place $place,
        public array $onlyIf,
        public array $taken,
        public KnownPeople $knownPeople,
    ) {
    }

    /** @throws Unreadable */
    public static function read(Doc $doc): self
    {
        $doc->allow('type', 'country', 'zone', 'only_if', 'external_id', 'version', 'person', 'consent', 'known_people', 'fields');
        $zone = $doc->text('zone', 60);
        if (! in_array($zone, \DateTimeZone::listIdentifiers(), true)) {
            throw Unreadable::at("$doc->path.zone", 'zone_expected', ['written' => $zone]);
        }
        $taken = [];
        foreach (['external_id', 'version'] as $alone) {
            if ($doc->has($alone)) {
                $taken[$alone] = Taken::read($doc->object($alone));
            }
        }
        foreach (['person', 'consent', 'fields'] as $group) {
            $object = $doc->has($group) ? $doc->object($group) : Doc::of([]);
            foreach (array_keys((array) $object->value) as $key) {
                $taken["$group.$key"] = Taken::read($object->object((string) $key));
            }
        }

        return new self(
            $doc->name('type'),
            new Place($doc->text('country', 2), $zone),
            $doc->has('only_if') ? $doc->each('only_if', OnlyIf::read(...), 0, 20) : [],
            $taken,
            $doc->has('known_people') ? $doc->choice('known_people', KnownPeople::class) : KnownPeople::Fill,
        );
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        $document = [
            'type' => $this->type, 'country' => $this->place->country, 'zone' => $this->place->zone,
            'only_if' => array_map(fn (OnlyIf $test): array => $test->toDocument(), $this->onlyIf),
            'known_people' => $this->knownPeople->value,
        ];
        $grouped = [];
        foreach ($this->taken as $target => $taken) {
            [$group, $key] = [...explode('.', $target, 2), ''];
            $key === '' ? $document[$group] = $taken->toDocument() : $grouped[$group][$key] = $taken->toDocument();
        }

        return $document + $grouped;
    }

    /**
     * Every value's way, by target.
     *
     * @param  array<string, Field>  $targets
     * @return array<string, Followed>
     */
    public function trial(mixed $tree, array $targets): array
    {
        $tried = [];
        foreach ($this->taken as $target => $taken) {
            if (isset($targets[$target])) {
                $tried[$target] = $taken->follow($tree, $targets[$target], $this->place);
            }
        }

        return $tried;
    }

    /**
     * @param  mixed  $tree  what came, decoded
     * @param  array<string, Field>  $targets
     *
     * @throws Refused where a value cannot be read
     */
    public function clean(mixed $tree, array $targets): Cleaned|LeftOut
    {
        if (! is_array($tree) || (array_is_list($tree) && $tree !== [])) {
            throw Refused::because('not_an_object');
        }
        foreach ($this->onlyIf as $test) {
            $reason = $test->leavesOut($tree);
            if ($reason !== null) {
                return new LeftOut($reason);
            }
        }
        $values = ['person' => [], 'consent' => [], 'fields' => [], 'record' => []];
        $note = null;
        foreach ($this->taken as $target => $taken) {
            $field = $targets[$target] ?? throw Refused::because('field_gone', ['field' => $target]);
            if ($target === 'person.number') {
                continue;
            }
            $followed = $taken->follow($tree, $field, $this->place);
            if ($followed->refused !== null) {
                // Some senders put "none" where an address should be; the rest of what they say is worth keeping.
                if ($target !== 'person.email') {
                    throw Refused::of($followed->refused);
                }
                $note = $followed->refused;
            }
            [$group, $key] = str_contains($target, '.') ? explode('.', $target, 2) : ['record', $target];
            $values[$group][$key] = $followed->value;
        }
        $externalId = $values['record']['external_id'] ?? null;
        if (isset($this->taken['external_id']) && $externalId === null) {
            throw Refused::because('no_external_id');
        }
        [$number, $unread] = $this->number($tree, $targets);

        return new Cleaned(
            $this->type,
            $externalId === null ? null : mb_substr((string) $externalId, 0, 190, 'UTF-8'),
            self::personSaid($values['person'], $number, self::consentSaid($values['consent'])),
            $values['fields'],
            $this->knownPeople,
            self::version($values['record']['version'] ?? null, isset($this->taken['version']) ? (string) $this->taken['version']->at : ''),
            $unread ?? $note,
        );
    }

    /** @param  array<string, scalar|null>  $values */
    private static function personSaid(array $values, ?PhoneNumber $number, ?ConsentInput $consent): PersonInput
    {
        $own = array_filter(array_intersect_key($values, array_flip(PersonInput::OWN)), fn (mixed $value): bool => $value !== null);
        $text = fn (string $key): ?string => isset($values[$key]) ? mb_substr((string) $values[$key], 0, 190, 'UTF-8') : null;
        if (isset($own['zone']) && ! in_array($own['zone'], \DateTimeZone::listIdentifiers(), true)) {
            throw Refused::value('not_a_zone', 'zone', $own['zone']);
        }

        return new PersonInput(
            $text('external_id'), $number, $text('email'),
            array_map(fn (mixed $value): string => mb_substr((string) $value, 0, 190, 'UTF-8'), $own),
            array_diff_key($values, array_flip([...PersonInput::OWN, 'external_id', 'email', 'number'])),
            $consent,
        );
    }

    /** @param  array<string, scalar|null>  $values */
    private static function consentSaid(array $values): ?ConsentInput
    {
        $marketing = $values['marketing'] ?? null;
        $stopped = ($values['stopped'] ?? null) === true;

        return is_bool($marketing) || $stopped ? new ConsentInput(
            is_bool($marketing) ? $marketing : null, $stopped,
            isset($values['wording']) ? (string) $values['wording'] : null, isset($values['at']) ? (string) $values['at'] : null,
        ) : null;
    }

    private static function version(string|int|float|bool|null $value, string $path): ?float
    {
        if ($value === null) {
            return null;
        }
        $moment = Moment::parse((string) $value);

        return match (true) {
            is_numeric($value) => (float) $value,
            $moment !== null => (float) $moment->at->format('Uv'),
            default => throw Refused::value('not_a_version', $path, $value),
        };
    }

    /**
     * A number nobody can read is no reason to lose the record; it is said beside it.
     *
     * @param  array<string, Field>  $targets
     * @return array{PhoneNumber|null, Reason|null}
     */
    private function number(mixed $tree, array $targets): array
    {
        $taken = $this->taken['person.number'] ?? null;
        if ($taken === null) {
            return [null, null];
        }
        // Followed as text, so that it is read as a number just once.
        $followed = $taken->follow($tree, new Field('number', $targets['person.number']->name, FieldKind::Text), $this->place);
        if ($followed->refused !== null) {
            throw Refused::of($followed->refused);
        }
        $written = (string) $followed->value;
        if (FieldNormalizer::isRounded($written)) {
            return [null, Refused::value('rounded_phone', (string) $taken->at, $written)->reason()];
        }
        try {
            return [Numbers::read($written, $this->place->country), null];
        } catch (NotANumber $e) {
            return [null, $e->reason()];
        }
    }
}
