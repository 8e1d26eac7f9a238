<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Reply;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Money;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;
use Linnet\Core\Record\Standing;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Condition\InAudience;
use Linnet\Core\Rule\Step\NumberChoice;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\WeeklyHours;

/** Puts together what a decision may look at. */
final readonly class ContextFactory
{
    public function __construct(private BusinessReader $reader)
    {
    }

    /**
     * @param  list<string>  $relatedTypes  the person's other records to look at, and the audiences that are asked about
     * @param  list<Reply>  $replies  texts put to the run's open question
     * @param  bool  $lastTexts  somebody asks when they had their last texts
     */
    public function create(
        Subject $subject,
        ?string $line = null,
        array $relatedTypes = [],
        string $ruleId = '',
        array $replies = [],
        bool $lastTexts = true,
    ): EvaluationContext {
        $business = $this->reader->business();
        $person = $subject->personId === null ? null : $this->reader->person($subject->personId);
        $record = $subject->recordId === null ? null : $this->reader->record($subject->recordId);
        $by = $line === null ? null : $this->reader->line($line);
        $number = $person->numbers[0] ?? null;
        $consent = $number === null ? null : $this->reader->consent($number->e164);
        $labels = $says = [];
        [$relatedTypes, $audiences] = $this->audiences($relatedTypes);
        $tree = $person === null ? [] : $this->own($person, $labels);
        if ($record !== null) {
            $tree[$record->type->key] = $this->values($record, $by, $labels, $says);
            $tree['owner'] = $this->owner($record);
        }

        return new EvaluationContext(
            now: $this->reader->now(),
            facts: Facts::of([
                ...$tree,
                'line' => $by === null ? [] : ['name' => $by->name, 'number' => $by->number],
                'business' => ['name' => $business->name],
            ]),
            who: $person->called ?? 'the caller',
            zone: $this->zones($person, $number)[0],
            businessZone: $business->zone,
            opening: $business->opening ?? WeeklyHours::daily('00:00', '24:00'),
            optedOut: $consent['optedOut'] ?? false,
            lastReplyAt: $person === null ? null : $this->reader->lastReplyAt($person->id),
            labels: $labels,
            says: $says,
            standing: new Standing(
                $person->tags ?? [], $person->lists ?? [], $consent['optedIn'] ?? false, $number?->kind, $number?->alive,
                $number?->lookedUpAt,
            ),
            related: $person === null ? [] : $this->related($person, $relatedTypes, $labels),
            lastTexts: $person === null || ! $lastTexts ? [] : $this->reader->lastTexts($person->id),
            ruleId: $ruleId,
            replies: $replies,
            workingDays: $business->workingDays,
            leapToMarch: $business->leapToMarch,
            audiences: $audiences,
        );
    }

    /**
     * Looks up the audiences among what is asked about, and what they ask about themselves.
     *
     * @param  list<string>  $asked
     * @return array{list<string>, array<string, Audience>} types, and audiences by name
     */
    private function audiences(array $asked): array
    {
        $types = $audiences = [];
        foreach ($asked as $one) {
            $name = InAudience::isOne($one) ? InAudience::called($one) : null;
            $audience = $name === null ? null : $this->reader->audience($name);
            if ($name === null) {
                $types[] = $one;
            } elseif ($audience !== null) {
                $audiences[$name] = $audience;
                array_push($types, ...Conditions::relatedTypes($audience->condition));
            }
        }

        return [array_values(array_unique($types)), $audiences];
    }

    /**
     * When something last happened to a subject, so that it has been quiet since: to a record it was changed, or its person wrote; to a
     * person whatever is kept as a change about them.
     */
    public function lastActivity(Subject $subject): \DateTimeImmutable
    {
        $record = $subject->recordId === null ? null : $this->reader->record($subject->recordId);
        $replied = $subject->personId === null ? null : $this->reader->lastReplyAt($subject->personId);
        $changed =
            $record->changedAt ?? ($subject->personId === null ? $this->reader->now() : $this->reader->lastChangeAt($subject->personId));

        return max($changed, $replied ?? $changed);
    }

    /**
     * The person as the receiver of a text.
     *
     * @param  list<NumberChoice>  $choices  which of their numbers, the first there is
     * @param  string|null  $contacted  the number they called or texted from
     */
    public function receiver(Person $person, array $choices = [NumberChoice::Preferred], ?string $contacted = null): Receiver
    {
        return $this->receiverAt($person, $this->choose($person, $choices, $contacted));
    }

    /** The person as things are now, at a number chosen before. */
    public function stillReceiver(Person $person, ?string $number): Receiver
    {
        return $this->receiverAt($person, $person->number($number) ?? $person->numbers[0] ?? null);
    }

    private function receiverAt(Person $person, ?PersonNumber $number): Receiver
    {
        $business = $this->reader->business();
        $zones = $this->zones($person, $number);
        $consent =
            $number === null
                ? ['optedOut' => false, 'optedIn' => false, 'mayHaveOptedOut' => false]
                : $this->reader->consent($number->e164);

        return new Receiver(
            who: $person->called,
            number: $number?->e164,
            country: $number->country ?? $business->country,
            kind: $number->kind ?? NumberKind::Unknown,
            alive: $number?->alive,
            zone: $zones[0],
            zones: $zones,
            locale: $person->locale ?? $business->locale,
            optedOut: $consent['optedOut'],
            optedIn: $consent['optedIn'],
            mayHaveOptedOut: $consent['mayHaveOptedOut'],
            personId: $person->id,
        );
    }

    /** Somebody of the business, or a bare number. */
    public function colleague(?Staff $staff, ?string $number): Receiver
    {
        $business = $this->reader->business();

        return new Receiver(
            who: $staff->name ?? ($number ?? ''), number: $staff === null ? $number : $staff->number, country: $business->country,
            kind: NumberKind::Unknown, alive: null, zone: $business->zone, zones: [$business->zone], locale: $business->locale,
            optedOut: $staff !== null && ! $staff->textsAllowed, staffId: $staff?->id,
        );
    }

    public function owner(Record $record): ?Staff
    {
        $field = $record->type->ownerField();
        $id = $field === null ? null : $record->values[$field] ?? null;

        return is_numeric($id) ? $this->reader->staff((int) $id) : null;
    }

    /**
     * Every zone they may be in, the one their day is reckoned by first.
     *
     * @return non-empty-list<string>
     */
    private function zones(?Person $person, ?PersonNumber $number): array
    {
        $ours = $this->reader->business()->zone;
        $zones = match (true) {
            $person?->zone !== null => [$person->zone],
            $number !== null => $number->zones,
            default => [$ours],
        };

        return in_array($ours, $zones, true) ? [$ours, ...array_values(array_diff($zones, [$ours]))] : $zones;
    }

    /** @param  list<NumberChoice>  $choices */
    private function choose(Person $person, array $choices, ?string $contacted): ?PersonNumber
    {
        foreach ($choices as $choice) {
            $found = match ($choice) {
                NumberChoice::Preferred => $person->numbers[0] ?? null,
                NumberChoice::Contacted => $person->number($contacted),
                NumberChoice::Mobile => array_values(
                    array_filter($person->numbers, fn (PersonNumber $n): bool => $n->kind === NumberKind::Mobile && $n->alive !== false),
                )[0] ?? null,
                NumberChoice::Newest => $person->newest ?? ($person->numbers[0] ?? null),
            };
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }

    /**
     * @param  array<string, string>  $labels
     * @return array<string, mixed>
     */
    private function own(Person $person, array &$labels): array
    {
        $own = array_filter($person->own, fn (mixed $value): bool => $value !== null);
        $type = $this->reader->type(RecordType::PERSON);
        $labels = ($type->labels ?? []) + $labels;
        foreach ($type->fields ?? [] as $field) {
            if (isset($own[$field->key]) && is_scalar($own[$field->key])) {
                $own[$field->key] = $this->value($field, $own[$field->key]);
            }
        }

        return [...$own, 'person' => $own];
    }

    /**
     * @param  array<string, string>  $labels
     * @param  array<string, string>  $says
     * @return array<string, mixed>
     */
    private function values(Record $record, ?Line $by, array &$labels, array &$says): array
    {
        $type = $record->type;
        $labels = $type->labels + $labels;
        $values = [];
        foreach ($type->fields as $field) {
            $raw = $record->values[$field->key] ?? null;
            $values[$field->key] = $raw === null ? null : $this->value($field, $raw);
            if ($field->kind === FieldKind::Line && $by !== null && $by->number === $raw) {
                $says["$type->key.$field->key"] = $by->name;
            }
        }

        return $values;
    }

    /**
     * @param  list<string>  $types
     * @param  array<string, string>  $labels
     * @return array<string, list<Facts>>
     */
    private function related(Person $person, array $types, array &$labels): array
    {
        $related = $ignored = [];
        foreach ($types as $type) {
            $labels[$type] ??= mb_strtolower($this->reader->type($type)->name ?? $type, 'UTF-8');
            $related[$type] = array_map(
                fn (Record $record): Facts => Facts::of($this->values($record, null, $labels, $ignored)),
                $this->reader->recordsOf($person->id, $type),
            );
        }

        return $related;
    }

    private function value(Field $field, string|int|float|bool $value): mixed
    {
        $text = (string) $value;
        $moment = $field->kind === FieldKind::DateTime ? Moment::parse($text) : null;

        return match ($field->kind) {
            FieldKind::DateTime => $moment === null
                ? null
                : new Moment($moment->at, $field->atPlace ? $this->reader->business()->zone : null),
            FieldKind::Date => Day::parse($text),
            FieldKind::Money => is_numeric($text) ? new Money($text, $this->reader->business()->tariff->currency) : null,
            FieldKind::Staff => $this->reader->staff((int) $text),
            FieldKind::Person, FieldKind::Record => $this->reader->nameOf($field->kind, (int) $text),
            FieldKind::Line => $this->lineKey($text),
            default => $value,
        };
    }

    private function lineKey(string $number): string
    {
        foreach ($this->reader->lines() as $line) {
            if ($line->number === $number) {
                return $line->key;
            }
        }

        return $number;
    }
}
