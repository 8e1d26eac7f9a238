<?php

declare(strict_types=1);

namespace App\Rules;

use App\Clock\TimeFormatter;
use App\Engine\DomainEventReader;
use App\Engine\Store\UnitOfWork;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\RecordType;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Engine;
use Linnet\Core\Engine\Published;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Trigger\Foresight;

/** Whom a rule would begin for, asked of the engine about each of those there are: counted where they are few enough, else not said. */
final class Reach
{
    public const WEEKS = 4;

    /** So many are asked about while somebody waits; of more nothing is said. */
    public const MOST = 1000;

    /** @var list<array{Subject, EvaluationContext}>|false|null false where it was not asked yet */
    private array|false|null $begun = false;

    public function __construct(private readonly UnitOfWork $unit, private readonly Rule $rule)
    {
    }

    /** "In the next four weeks it would begin for 42 bookings, of 40 people, as things stand." */
    public function sentence(): string
    {
        return match ($this->rule->trigger->foresight()) {
            Foresight::Dates => $this->format('In the next four weeks it would begin for %s, as things stand.'),
            Foresight::Quiet => $this->format('It would begin to wait now for %s.'),
            Foresight::Audience => $this->format('At its moment it would begin for %s, as things stand.'),
            Foresight::Added, Foresight::Changed => $this->format(
                'What happened in the last four weeks would have begun it for %s, by what is known of them now.',
            ),
            Foresight::None => 'How often it begins depends on what people do, and is not known beforehand.',
        };
    }

    /**
     * Those it would begin for, as far as that is known beforehand; the newest, so many at most.
     *
     * @return list<array{EvaluationContext, Receiver}>
     */
    public function reached(int $most): array
    {
        $reached = [];
        foreach (array_slice($this->begun() ?? [], -$most) as [$subject, $context]) {
            $person = $subject->personId === null ? null : $this->unit->reader->person($subject->personId);
            if ($person !== null) {
                $reached[] = [$context, $this->unit->contexts->receiver($person)];
            }
        }

        return $reached;
    }

    /** How many they are; null where they are too many to ask of each. */
    public function many(): ?int
    {
        $begun = $this->begun();

        return $begun === null ? null : count($begun);
    }

    /** Whether they are too many to ask of each. */
    public function isTooMany(): bool
    {
        return $this->begun() === null;
    }

    /** @return list<int>|null ids of the records, or people, it would begin for; null where there are too many to ask about */
    public function ids(): ?array
    {
        $begun = $this->begun();

        return $begun === null
            ? null
            : array_values(
                array_filter(
                    array_map(
                        fn (array $one): ?int => $this->rule->trigger->type() === CoreType::PERSON ? $one[0]->personId : $one[0]->recordId,
                        $begun,
                    ),
                ),
            );
    }

    private function format(string $sentence): string
    {
        $begun = $this->begun();
        if ($begun === null) {
            return 'More than '.number_format(self::MOST).' would have to be asked about, so how many it would begin for is not said here.';
        }
        $isPeople = $this->rule->trigger->type() === CoreType::PERSON;
        $type = RecordType::query()->where('key', $this->rule->trigger->type())->first();
        $of = TimeFormatter::count(count(array_unique(array_map(fn (array $one): ?int => $one[0]->personId, $begun))), 'person', 'people');

        return sprintf(
            $sentence,
            $begun === []
                ? 'nobody'
                : ($isPeople || $type === null
                    ? $of
                    : TimeFormatter::count(count($begun), mb_strtolower($type->name), mb_strtolower($type->plural)).', of '.$of),
        );
    }

    /** @return list<array{Subject, EvaluationContext}>|null null where there are too many to ask about */
    private function begun(): ?array
    {
        return $this->begun === false ? $this->begun = $this->asked() : $this->begun;
    }

    /** @return list<array{Subject, EvaluationContext}>|null */
    private function asked(): ?array
    {
        $trigger = $this->rule->trigger;
        $ids = match ($trigger->foresight()) {
            Foresight::Dates, Foresight::Quiet, Foresight::Audience => $this->candidates(),
            Foresight::Added => $this->added(),
            Foresight::Changed => $this->changed(),
            Foresight::None => [],
        };
        if ($ids === null) {
            return null;
        }
        $isPeople = $trigger->type() === CoreType::PERSON;
        if (! $isPeople) {
            $this->unit->reader->preloadRecords($ids);
        }
        $this->unit->reader->preload(
            $isPeople
                ? $ids
                : array_values(
                    array_unique(array_filter(array_map(fn (int $id): ?int => $this->unit->reader->record($id)?->personId, $ids))),
                ),
        );
        [$related, $asksForTexts] = [$this->rule->relatedTypes, $this->rule->asksForTexts];
        $begun = [];
        foreach ($ids as $id) {
            $subject = $isPeople ? new Subject($id) : new Subject($this->unit->reader->record($id)?->personId, $id);
            $context = $this->unit->contexts->create($subject, null, $related, lastTexts: $asksForTexts);
            if ($subject->personId !== null && ! $context->optedOut && $this->fits($context)) {
                $begun[] = [$subject, $context];
            }
        }

        return $begun;
    }

    private function fits(EvaluationContext $context): bool
    {
        $trigger = $this->rule->trigger;
        if ($trigger->condition()?->weigh($context)->holds() === false) {
            return false;
        }

        return match ($trigger->foresight()) {
            // What else must hold is asked when it has been quiet for as long as it says.
            Foresight::Quiet => true,
            Foresight::Dates => $this->comesWithin($context) && $this->rule->conditions->weigh($context)->holds(),
            default => $this->rule->conditions->weigh($context)->holds(),
        };
    }

    private function comesWithin(EvaluationContext $context): bool
    {
        $due = Engine::scheduleStart(new Published('0', $this->rule), $context, $context->now)->dueAt;

        return $due !== null && $due <= $context->now->modify('+'.self::WEEKS.' weeks');
    }

    /** @return list<int>|null */
    private function candidates(): ?array
    {
        $type = $this->rule->trigger->type();
        $all =
            $type === CoreType::PERSON
                ? DB::table('people')
                : DB::table('records')
                    ->where('record_type_id', RecordType::query()->where('key', $type)->value('id') ?? 0)
                    ->whereNotNull('person_id');
        $ids = $all
            ->orderBy('id')
            ->limit(self::MOST + 1)
            ->pluck('id')
            ->all();

        return count($ids) > self::MOST ? null : array_values(array_map(intval(...), $ids));
    }

    /** @return list<int>|null what came in lately: that it did is all that is asked */
    private function added(): ?array
    {
        $isPeople = $this->rule->trigger->type() === CoreType::PERSON;
        $ids = $this->lately($isPeople ? ChangeKind::PersonAdded : ChangeKind::RecordAdded)->toBase()
            ->pluck($isPeople ? 'person_id' : 'record_id')->all();

        return count($ids) > self::MOST ? null : array_values(array_unique(array_map(intval(...), $ids)));
    }

    /** @return list<int>|null what changed lately as the trigger says */
    private function changed(): ?array
    {
        $trigger = $this->rule->trigger;
        $isPeople = $trigger->type() === CoreType::PERSON;
        [, $field] = CoreType::split((string) $trigger->field());
        $changes = $this->lately($isPeople ? ChangeKind::PersonChanged : ChangeKind::RecordChanged)
            ->whereLike('to', "%\"$field\":%")
            ->get();
        if (count($changes) > self::MOST) {
            return null;
        }
        $this->unit->reader->preloadRecords(array_values(array_map(intval(...), $changes->pluck('record_id')->filter()->all())));
        $events = new DomainEventReader($this->unit->reader);
        $met = $changes->filter(
            fn (Change $change): bool => ($event = $events->of($change)) !== null && $trigger->meets($event->change, '0'),
        );

        return array_values(array_unique(array_map(intval(...), $met->pluck($isPeople ? 'person_id' : 'record_id')->all())));
    }

    /** @return Builder<Change> one more than are asked about */
    private function lately(ChangeKind $kind): Builder
    {
        $type = $this->rule->trigger->type();

        return Change::query()
            ->where('kind', $kind)
            ->where('at', '>=', $this->unit->now->modify('-'.self::WEEKS.' weeks'))
            ->when(
                $type !== CoreType::PERSON,
                fn (Builder $some) => $some->whereIn(
                    'record_id',
                    DB::table('records')
                        ->where('record_type_id', RecordType::query()->where('key', $type)->value('id') ?? 0)
                        ->select('id'),
                ),
            )
            ->orderBy('id')
            ->limit(self::MOST + 1);
    }
}
