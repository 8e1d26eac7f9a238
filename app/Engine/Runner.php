<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Store\Claims;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Intake\ChangeOrigin;
use App\Intake\ChangeRow;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\ForecastMark;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use App\Models\Timer;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Engine\Detour;
use Linnet\Core\Engine\DomainEvent;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\Scheduler;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Rule\Rule as Core;
use Psr\Clock\ClockInterface;

/** Takes changes and due moments to the engine: each batch in one transaction, in which everything that comes of it is written too. */
final readonly class Runner
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    /** Takes changes to the engine, in their order. */
    public function changes(Batch $batch): void
    {
        $this->inTransaction(function (UnitOfWork $unit) use ($batch): void {
            $ids = Claims::changes(Scheduler::AT_ONCE, $batch->only);
            $batch->holds($ids);
            $changes = Change::query()->whereIn('id', $ids)->orderBy('id')->get();
            Change::query()->whereIn('id', $ids)->update(['handled' => true]);
            $people = array_values(array_unique(array_map(intval(...), array_filter($changes->pluck('person_id')->all()))));
            $unit->reader->preload($people);
            $unit->reader->preloadRecords(array_values(array_filter($changes->pluck('record_id')->all())));
            $unit->runs->preloadLive($people);
            $unit->timers->preload();
            $reader = new DomainEventReader($unit->reader);
            $events = array_values(array_filter($changes->map($reader->of(...))->all()));
            $unit->scheduler->handle($events);
            self::foreseeForFormer($events);
        });
    }

    /**
     * What lies ahead of whoever had a record is another without it.
     *
     * @param  list<DomainEvent>  $events
     */
    private static function foreseeForFormer(array $events): void
    {
        $passedOn = array_filter($events, fn (DomainEvent $one): bool => $one->change instanceof RecordChanged && $one->change->isPassedOn);
        $records = array_map(fn (DomainEvent $one): ?int => $one->subject->recordId, $passedOn);
        $had =
            $records === []
                ? []
                : DB::table('coming_texts')->whereIn('record_id', $records)->distinct()->pluck('about_person_id')->all();
        ForecastMark::leave(array_values(array_map(intval(...), $had)));
    }

    /** Takes what is due to the engine, the earliest first. */
    public function timers(Batch $batch): void
    {
        $this->inTransaction(function (UnitOfWork $unit) use ($batch): void {
            $unit->timers->batch = $batch;
            $unit->scheduler->resolveDue();
        });
    }

    /** @return int how many were looked at of those whom some rule concerns all at once; 0 means there is nobody left */
    public function piece(): int
    {
        return $this->inTransaction(fn (UnitOfWork $unit): int => $unit->scheduler->piece());
    }

    /** Puts a text that is held, set aside, failed or was cut off before the gate again, and moves its run on if it left. */
    public function reevaluateMessage(int $messageId): void
    {
        $this->inTransaction(function (UnitOfWork $unit) use ($messageId): void {
            $stuck = [MessageState::Failed, MessageState::CutOff];
            $failed = Message::query()->whereKey($messageId)->whereIn('state', $stuck)->lockForUpdate()->first();
            $failed === null || $this->reopen($failed, $unit->now);
            $text = $unit->texts->find($messageId);
            $text === null || $unit->scheduler->reevaluate($text);
        }, self::personOf('messages', $messageId));
    }

    /** A text the carrier refused is a new one to it; one it never answered for keeps its key, since it may have it after all. */
    private function reopen(Message $text, \DateTimeImmutable $now): void
    {
        $isNobodys = $text->run_id === null;
        $text->update(
            [
                'state' => $isNobodys ? MessageState::Ready : MessageState::Waiting, 'left_at' => $isNobodys ? $now : null,
                'handed_at' => null, 'status_at' => null, 'retry_at' => null, 'attempts' => 0, 'held_against' => false, 'released' => true,
                'reason' => null, 'slot_at' => null, 'leased_by' => null, 'leased_until' => null,
            ] + (($text->reason['code'] ?? '') === 'carrier.given_up' ? [] : ['key' => (string) Str::uuid7(), 'carrier_ref' => null]),
        );
        DB::table('receipts')->where('message_id', $text->id)->delete();
    }

    /**
     * Lets texts go that waited for it.
     *
     * @param  list<int>  $messageIds
     * @param  \DateTimeImmutable|null  $at  until when they may be held back again; null for at once
     */
    public function release(array $messageIds, ?\DateTimeImmutable $at = null): void
    {
        $this->eachChunk($messageIds, function (UnitOfWork $unit, array $some) use ($at): int {
            $ids = Message::query()->whereIn('id', $some)->where('state', MessageState::Waiting)->orderBy('id')->pluck('id');
            Message::query()->whereIn('id', $ids)->update(['released' => true, 'release_at' => $at]);
            foreach ($ids as $id) {
                $unit->runs->time(Timer::MESSAGE, (int) $id, 0, $at ?? $unit->now);
            }

            return $ids->count();
        });
    }

    /**
     * Texts that were let go and have not left yet wait again.
     *
     * @param  list<int>  $messageIds
     * @return int how many
     */
    public function holdBack(array $messageIds): int
    {
        return $this->eachChunk($messageIds, function (UnitOfWork $unit, array $some): int {
            $ids = Message::query()->whereIn('id', $some)->letGo($unit->now)->orderBy('id')->pluck('id');
            $reason = json_encode((new Reason('gate.not_released'))->toArray(), JSON_THROW_ON_ERROR);
            Message::query()->whereIn('id', $ids)->toBase()->update(['released' => false, 'release_at' => null, 'reason' => $reason]);
            foreach ($ids as $id) {
                $unit->runs->time(Timer::MESSAGE, (int) $id, 0, null);
            }

            return $ids->count();
        });
    }

    /**
     * @param  list<int>  $messageIds
     * @param  \Closure(UnitOfWork, list<int>): int  $work  on some of them, whose people nobody else is at
     */
    private function eachChunk(array $messageIds, \Closure $work): int
    {
        $many = 0;
        foreach (array_chunk($messageIds, 500) as $some) {
            $people = array_values(array_map(
                intval(...),
                Message::query()->whereIn('id', $some)->distinct()->pluck('person_id')->all(),
            ));
            $many += $this->inTransaction(function (UnitOfWork $unit) use ($work, $some, $people): int {
                $unit->reader->preload($people);

                return $work($unit, $some);
            }, $people);
        }

        return $many;
    }

    /** Ends a run before its last step, because somebody decided so. */
    public function stop(int $runId, Reason $reason, string $outcome = 'stopped'): void
    {
        $this->inTransaction(fn (UnitOfWork $unit) => $this->end($unit, $runId, $reason, $outcome), self::personOf('runs', $runId));
    }

    /** As {@see stop()}, where somebody decided so; false where it had ended already. */
    public function stopBy(int $runId, string $staff): bool
    {
        return $this->inTransaction(function (UnitOfWork $unit) use ($runId, $staff): bool {
            $isLive = $unit->runs->run($runId)?->state->isOver() === false;
            $this->end($unit, $runId, new Reason('run.stopped', ['staff' => $staff]), 'stopped');

            return $isLive;
        }, self::personOf('runs', $runId));
    }

    /**
     * Somebody decided that a run waits no longer for its moment; what follows goes through the gate as ever. False where it waits
     * for none.
     *
     * @param  string  $place  where it stood when that was decided: it is not hurried twice by one decision
     */
    public function hurry(int $runId, string $place, string $staff): bool
    {
        return $this->detour($runId, $place, new Reason('run.hurried', ['staff' => $staff]), Detour::past(...));
    }

    /** A run that stood aside since one of us wrote to its person goes on; false where it did not stand aside. */
    public function giveBack(int $runId, string $staff): bool
    {
        return $this->inTransaction(function (UnitOfWork $unit) use ($runId, $staff): bool {
            $run = $unit->runs->run($runId);

            return $run !== null && $unit->conductor->giveBack($run, $staff);
        }, self::personOf('runs', $runId));
    }

    /** Somebody decided that a run does not do the step it stands at: a text that waits there is dropped. */
    public function skipStep(int $runId, string $place, string $staff): bool
    {
        return $this->detour($runId, $place, new Reason('run.skipped', ['staff' => $staff]), Detour::skipping(...));
    }

    /** Somebody decided that a run goes on at another step. */
    public function moveTo(int $runId, string $place, string $step, string $called, string $staff): bool
    {
        return $this->detour(
            $runId, $place, new Reason('run.moved', ['staff' => $staff, 'step' => $called]),
            fn (Core $rule, RunState $state, \DateTimeImmutable $now): ?RunState => Detour::to($rule, $state, $step, $now),
        );
    }

    /** Starts a rule for somebody; what came of it is read from the change's trace. */
    public function start(Rule $rule, int $personId, ?int $recordId, AskedBy $by, ?Staff $staff): void
    {
        DB::table('changes')->insert(
            ChangeRow::of(
                ChangeKind::Asked, $recordId, $personId, null, [],
                $staff === null ? ChangeOrigin::rule('', []) : ChangeOrigin::staff($staff), $this->clock->now(),
                ['rule_id' => $rule->id, 'by' => $by->value],
            ),
        );
    }

    /** From now on a rule starts by itself; what is under way is looked at anew. */
    public function switchOn(Rule $rule): void
    {
        $now = $this->clock->now();
        $this->inTransaction(function (UnitOfWork $unit) use ($rule, $now): void {
            $rule->update(['power' => ActivationState::On, 'on_since' => $now, 'paused_until' => $now]);
            $published = $unit->reader->rule($rule->id);
            $published === null || $unit->scheduler->switchOn($published);
        });
        foreach (Run::query()->where('rule_id', $rule->id)->where('live', true)->orderBy('id')->lazyById(500) as $run) {
            $awaited = isset($run->state['awaits'])
                ? Message::query()
                    ->where('name', "$run->id/{$run->state['awaits']}")
                    ->value('id')
                : null;
            $awaited === null ? Timer::schedule(Timer::RUN, $run->id, $now) : Timer::schedule(Timer::MESSAGE, (int) $awaited, $now);
        }
        // Those that no run waits for, too.
        Timer::askAgain($now, ruleId: $rule->id);
    }

    /** The business's clock is another: every rule waits anew for what it begins by, and all that waits for a moment asks again for it. */
    public function reckonAnew(): void
    {
        foreach (Rule::query()->where('power', ActivationState::On)->orderBy('id')->pluck('id') as $id) {
            $this->inTransaction(function (UnitOfWork $unit) use ($id): void {
                $published = $unit->reader->rule((int) $id);
                $published === null || $unit->scheduler->switchOn($published);
            });
        }
        $now = $this->clock->now();
        Timer::query()->where('kind', Timer::RUN)->whereNotNull('due_at')->update(['due_at' => $now]);
        Timer::askAgain($now);
    }

    /** Puts what waits for a person before the gate again, such as after a doubt was decided. */
    public function askAgainFor(int $personId): void
    {
        Timer::askAgain($this->clock->now(), personId: $personId);
        foreach (Run::query()->where('person_id', $personId)->where('live', true)->orderBy('id')->pluck('id') as $id) {
            Timer::query()->where('kind', Timer::RUN)->where('subject_id', $id)->exists() ||
                Timer::schedule(Timer::RUN, (int) $id, $this->clock->now());
        }
    }

    /** Switches a line on or off. On, what it held is asked about again, and failures from before count no more. */
    public function switchLine(Line $line, ActivationState $power): void
    {
        $line->update(
            ['power' => $power] +
                ($power === ActivationState::On
                    ? ['problem' => null, 'attempts' => 0, 'failed' => 0, 'well_since_message' => (int) Message::query()->max('id')]
                    : []),
        );
        if ($power === ActivationState::On) {
            Timer::askAgain($this->clock->now(), $line->id);
        }
    }

    /** For good: what is under way ends, what waits is dropped. */
    public function retire(Rule $rule): void
    {
        $rule->update(['power' => ActivationState::Retired, 'on_since' => null, 'start_cursor' => null]);
        Timer::query()->where('rule_id', $rule->id)->delete();
        Timer::clear(Timer::CALENDAR, $rule->id);
        do {
            $runs = Run::query()->where('rule_id', $rule->id)->where('live', true)->orderBy('id')->limit(200)->pluck('person_id', 'id');
            $this->inTransaction(function (UnitOfWork $unit) use ($runs): void {
                foreach ($runs->keys() as $id) {
                    $this->end($unit, (int) $id, new Reason('stop.retired'), 'retired');
                }
            }, array_values(array_map(intval(...), $runs->all())));
        } while ($runs->isNotEmpty());
    }

    private function end(UnitOfWork $unit, int $runId, Reason $reason, string $outcome): void
    {
        $run = $unit->runs->run($runId);
        if ($run !== null && ! $run->state->isOver()) {
            $unit->effects->end($run, $reason, $outcome);
        }
    }

    /** @param  \Closure(Core, RunState, \DateTimeImmutable): (RunState|null)  $to  where it goes on */
    private function detour(int $runId, string $place, Reason $reason, \Closure $to): bool
    {
        return $this->inTransaction(function (UnitOfWork $unit) use ($runId, $place, $reason, $to): bool {
            $run = $unit->runs->run($runId);
            $state =
                $run === null || $run->power !== ActivationState::On || $run->state->place() !== $place
                    ? null
                    : $to($run->rule, $run->state, $unit->now);
            if ($run !== null && $state !== null) {
                if ($run->state->awaits !== null) {
                    $unit->outbound->drop($run, new DropText($run->state->awaits, $reason));
                }
                // Whoever moves it on has given it back.
                $run->state = $state->with(['aside' => false]);
                $unit->runs->note($reason, $run->ruleId, $run, $run->subject);
                $state->isOver() ? $unit->runs->save($run, null) : $unit->conductor->advance($run);
            }

            return $state !== null;
        }, self::personOf('runs', $runId));
    }

    /**
     * @template T
     *
     * @param  \Closure(UnitOfWork): T  $work
     * @param  list<int>  $people  whom it is about, where that is known before: nobody else is at them meanwhile
     * @return T
     */
    private function inTransaction(\Closure $work, array $people = []): mixed
    {
        // What is read for a piece of work stays until it is done: looking for circles finds them all at once then, and none meanwhile.
        $collects = gc_enabled();
        gc_disable();
        try {
            return UnitOfWork::transaction(
                $this->clock->now()->setTimezone(new \DateTimeZone('UTC')),
                $this->sideEffects,
                function (UnitOfWork $unit) use ($work): mixed {
                    $done = $work($unit);
                    ForecastMark::leave($unit->reader->known());

                    return $done;
                },
                $people,
            );
        } finally {
            if ($collects) {
                gc_enable();
                gc_collect_cycles();
            }
        }
    }

    /** @return list<int> */
    private static function personOf(string $table, int $id): array
    {
        return array_values(array_filter([(int) DB::table($table)->where('id', $id)->value('person_id')]));
    }
}
