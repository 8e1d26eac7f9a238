<?php

declare(strict_types=1);

namespace App\Rules;

use App\Engine\DomainEventReader;
use App\Engine\Runner;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Person;
use App\Models\Record;
use App\Models\Rule;
use App\Models\Staff;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Needs;
use Psr\Clock\ClockInterface;

/** Starts a rule because somebody, or a program of theirs, asks for it. */
final readonly class StartByHand
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects, private Runner $runner)
    {
    }

    /** @return list<Reason> what is missing; where nothing is, the rule is about to start */
    public function start(Rule $rule, Person $person, ?Record $record, AskedBy $by, Staff $staff): array
    {
        if ($rule->power !== ActivationState::On || $rule->version === null) {
            return [new Reason('start.rule_off')];
        }
        $written = $rule->version->read();
        $unit = UnitOfWork::reading($this->clock->now(), $this->sideEffects);
        $known = $record === null ? null : $unit->reader->record($record->id);
        $subject = (new DomainEventReader($unit->reader))->subject($person->id, $known);
        $fits = $known === null || $written->trigger->type() === RecordType::PERSON || $known->type->key === $written->trigger->type();
        $missing = Needs::missing($written, $unit->contexts->create($subject), $known !== null && $fits);
        if ($missing === []) {
            $this->runner->start($rule, $person->id, $written->trigger->type() === RecordType::PERSON ? null : $record?->id, $by, $staff);
        }

        return $missing;
    }

    /**
     * What each of several lacks for the rule to start; nothing where nothing is missing.
     *
     * @param  list<array{int, int|null}>  $of  people with the record it is to be about
     * @return list<array{int, int|null, list<Reason>}>
     */
    public function missing(Rule $rule, array $of): array
    {
        $written = $rule->version?->read();
        if ($rule->power !== ActivationState::On || $written === null) {
            return array_map(fn (array $one): array => [$one[0], $one[1], [new Reason('start.rule_off')]], $of);
        }
        $unit = UnitOfWork::reading($this->clock->now(), $this->sideEffects);
        $unit->reader->preload(array_column($of, 0));
        $unit->reader->preloadRecords(array_values(array_filter(array_column($of, 1))));
        $events = new DomainEventReader($unit->reader);

        return array_map(function (array $one) use ($written, $unit, $events): array {
            $record = $one[1] === null ? null : $unit->reader->record($one[1]);

            return [
                $one[0],
                $one[1],
                Needs::missing($written, $unit->contexts->create($events->subject($one[0], $record)), $record !== null),
            ];
        }, $of);
    }

    /** @param  list<array{int, int|null}>  $of  people with the record it is to be about */
    public function several(Rule $rule, array $of, Staff $staff): void
    {
        DB::transaction(function () use ($rule, $of, $staff): void {
            foreach ($of as [$person, $record]) {
                $this->runner->start($rule, $person, $record, AskedBy::Hand, $staff);
            }
        });
    }

    /** @return Collection<int, Rule> those that are on and about this type of record, or about people */
    public static function offered(string $type): Collection
    {
        $grammar = DB::connection()->getQueryGrammar();
        $about = sprintf(
            'coalesce(%s, %s, ?) = ?',
            $grammar->wrap('document->trigger->type'),
            $grammar->wrap('document->trigger->audience->of'),
        );

        return Rule::query()->where('power', ActivationState::On)->orderBy('name')->limit(200)
            ->whereHas('version', fn ($version) => $version->whereRaw($about, [RecordType::PERSON, $type]))->get();
    }
}
