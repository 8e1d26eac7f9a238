<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Live\Desk;
use App\Engine\Live\LiveDeeds;
use App\Engine\Live\LiveKnown;
use App\Engine\Live\LiveRuns;
use App\Intake\ChangeRow;
use App\Intake\Origin;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use App\Models\Timer;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Engine\Detour;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Gate\Power;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Rule as Core;
use Linnet\Core\Rule\Trigger\AskedBy;
use Psr\Clock\ClockInterface;

/** Takes changes and due moments to the engine: each batch in one transaction, in which everything that comes of it is written too. */
final readonly class Runner
{
    public function __construct(private ClockInterface $clock, private LiveDeeds $deeds)
    {
    }

    /** @param  list<int>  $ids of changes that were not taken yet */
    public function changes(array $ids): void
    {
        $this->work(function (Desk $desk) use ($ids): void {
            $changes = Change::query()->whereIn('id', $ids)->where('handled', false)->orderBy('id')->lockForUpdate()->get();
            Change::query()->whereIn('id', $changes->pluck('id'))->update(['handled' => true]);
            $people = array_values(array_unique(array_map(intval(...), array_filter($changes->pluck('person_id')->all()))));
            $desk->known->preload($people);
            $desk->known->preloadRecords(array_values(array_filter($changes->pluck('record_id')->all())));
            $desk->runs->preloadLive($people);
            $desk->preload();
            $happenings = new Happenings($desk->known);
            foreach ($changes as $change) {
                $happening = $happenings->of($change);
                if ($happening !== null) {
                    $desk->conductor->happened($happening);
                }
            }
        });
    }

    /** @param  list<int>  $ids of timers that are due, the earliest first */
    public function timers(array $ids): void
    {
        $this->work(function (Desk $desk) use ($ids): void {
            $timers = DB::table('timers')->whereIn('id', $ids)->where('due_at', '<=', LiveRuns::at($desk->now))->orderBy('due_at')->orderBy('id')->lockForUpdate()->get();
            DB::table('timers')->whereIn('id', $timers->pluck('id'))->delete();
            $desk->runs->preload($this->subjects($timers->where('kind', Timer::RUN)));
            $texts = $this->subjects($timers->where('kind', Timer::MESSAGE));
            $desk->runs->preload(array_values(array_filter(Message::query()->whereIn('id', $texts)->pluck('run_id')->all())));
            $desk->preload();
            foreach ($timers as $timer) {
                match ($timer->kind) {
                    Timer::RUN => $this->dueRun($desk, (int) $timer->subject_id),
                    Timer::MESSAGE => $this->dueText($desk, (int) $timer->subject_id),
                    Timer::CALENDAR => $this->dueCalendar($timer),
                    default => $this->dueStart($desk, $timer),
                };
            }
        });
    }

    /** Puts a text that is held, set aside or failed before the gate again, and moves its run on if it left. */
    public function ask(int $messageId): void
    {
        $this->work(function (Desk $desk) use ($messageId): void {
            $failed = Message::query()->whereKey($messageId)->where('state', MessageState::Failed)->lockForUpdate()->first();
            $failed === null || $this->reopen($failed, $desk->now);
            $this->dueText($desk, $messageId);
        });
    }

    /** A text the carrier refused is a new one to it; one it never answered for keeps its key, since it may have it after all. */
    private function reopen(Message $text, \DateTimeImmutable $now): void
    {
        $isNobodys = $text->run_id === null;
        $text->update([
            'state' => $isNobodys ? MessageState::Ready : MessageState::Waiting, 'left_at' => $isNobodys ? $now : null, 'handed_at' => null, 'fate_at' => null, 'retry_at' => null, 'attempts' => 0,
            'held_against' => false, 'released' => true, 'reason' => null, 'slot_at' => null,
        ] + (($text->reason['code'] ?? '') === 'carrier.given_up' ? [] : ['key' => (string) Str::uuid7(), 'carrier_ref' => null]));
        DB::table('receipts')->where('message_id', $text->id)->delete();
    }

    /** Looks at a run, such as when what it waited for has come. */
    public function look(int $runId): void
    {
        $this->work(fn (Desk $desk) => $this->dueRun($desk, $runId));
    }

    /**
     * Lets texts go that waited for it.
     *
     * @param  list<int>  $messageIds
     */
    public function release(array $messageIds): void
    {
        foreach (array_chunk($messageIds, 500) as $some) {
            $this->work(function (Desk $desk) use ($some): void {
                $ids = Message::query()->whereIn('id', $some)->where('state', MessageState::Waiting)->orderBy('id')->pluck('id');
                Message::query()->whereIn('id', $ids)->update(['released' => true]);
                foreach ($ids as $id) {
                    $desk->runs->time(Timer::MESSAGE, (int) $id, 0, $desk->now);
                }
            });
        }
    }

    /** Somebody decided that a text which waits is not to go; its run goes on without it. */
    public function skip(int $messageId, string $staff): void
    {
        $this->work(function (Desk $desk) use ($messageId, $staff): void {
            $text = $desk->texts->find($messageId);
            if ($text?->run !== null) {
                $desk->sending->drop($text->run, new DropText($text->name, new Reason('staff.skipped', ['staff' => $staff])));
                $desk->conductor->advance($text->run);
            }
        });
    }

    /** Ends a run before its last step, because somebody decided so. */
    public function stop(int $runId, Reason $reason, string $outcome = 'stopped'): void
    {
        $this->work(fn (Desk $desk) => $this->end($desk, $runId, $reason, $outcome));
    }

    /** As {@see stop()}, where somebody decided so; false where it had ended already. */
    public function stopBy(int $runId, string $staff): bool
    {
        $isLive = false;
        $this->work(function (Desk $desk) use ($runId, $staff, &$isLive): void {
            $isLive = $desk->runs->run($runId)?->state->isOver() === false;
            $this->end($desk, $runId, new Reason('run.stopped', ['staff' => $staff]), 'stopped');
        });

        return $isLive;
    }

    /**
     * Somebody decided that a run waits no longer for its moment; what follows goes through the gate as ever. False where it waits for none.
     *
     * @param  string  $place  where it stood when that was decided: it is not hurried twice by one decision
     */
    public function hurry(int $runId, string $place, string $staff): bool
    {
        return $this->detour($runId, $place, new Reason('run.hurried', ['staff' => $staff]), Detour::past(...));
    }

    /** Somebody decided that a run does not do the step it stands at: a text that waits there is dropped. */
    public function skipStep(int $runId, string $place, string $staff): bool
    {
        return $this->detour($runId, $place, new Reason('run.skipped', ['staff' => $staff]), Detour::skipping(...));
    }

    /** Somebody decided that a run goes on at another step. */
    public function moveTo(int $runId, string $place, string $step, string $called, string $staff): bool
    {
        return $this->detour($runId, $place, new Reason('run.moved', ['staff' => $staff, 'step' => $called]), fn (Core $rule, RunState $state, \DateTimeImmutable $now): ?RunState => Detour::to($rule, $state, $step, $now));
    }

    /** Starts a rule for somebody; what came of it is read from the change's trace. */
    public function start(Rule $rule, int $personId, ?int $recordId, AskedBy $by, ?Staff $staff): void
    {
        DB::table('changes')->insert(ChangeRow::of(
            ChangeKind::Asked, $recordId, $personId, null, [], $staff === null ? Origin::rule('', []) : Origin::staff($staff), $this->clock->now(), ['rule_id' => $rule->id, 'by' => $by->value],
        ));
    }

    /** From now on a rule starts by itself; what is under way is looked at anew. */
    public function switchOn(Rule $rule): void
    {
        $now = $this->clock->now();
        DB::transaction(function () use ($rule, $now): void {
            $rule->update(['power' => Power::On, 'on_since' => $now, 'paused_until' => $now, 'arming_after' => 0]);
            if ($rule->version !== null) {
                Calendars::await($rule, $rule->version->read(), $now);
            }
        });
        foreach (Run::query()->where('rule_id', $rule->id)->where('live', true)->orderBy('id')->lazyById(500) as $run) {
            $awaited = isset($run->state['awaits']) ? Message::query()->where('name', "$run->id/{$run->state['awaits']}")->value('id') : null;
            $awaited === null ? Timer::put(Timer::RUN, $run->id, $now) : Timer::put(Timer::MESSAGE, (int) $awaited, $now);
        }
        // Those that no run waits for, too.
        Timer::askAgain($now, ruleId: $rule->id);
    }

    /** Puts what waits for a person before the gate again, such as after a doubt was decided. */
    public function askAgainFor(int $personId): void
    {
        Timer::askAgain($this->clock->now(), personId: $personId);
        foreach (Run::query()->where('person_id', $personId)->where('live', true)->orderBy('id')->pluck('id') as $id) {
            Timer::query()->where('kind', Timer::RUN)->where('subject_id', $id)->exists() || Timer::put(Timer::RUN, (int) $id, $this->clock->now());
        }
    }

    /** Switches a line on or off. On, what it held is asked about again, and failures from before count no more. */
    public function switchLine(Line $line, Power $power): void
    {
        $line->update(['power' => $power] + ($power === Power::On ? ['problem' => null, 'attempts' => 0, 'failed' => 0, 'well_since_message' => (int) Message::query()->max('id')] : []));
        if ($power === Power::On) {
            Timer::askAgain($this->clock->now(), $line->id);
        }
    }

    /** For good: what is under way ends, what waits is dropped. */
    public function retire(Rule $rule): void
    {
        $rule->update(['power' => Power::Retired, 'on_since' => null, 'arming_after' => null]);
        Timer::query()->where('rule_id', $rule->id)->delete();
        Timer::clear(Timer::CALENDAR, $rule->id);
        do {
            $ids = Run::query()->where('rule_id', $rule->id)->where('live', true)->orderBy('id')->limit(200)->pluck('id');
            $this->work(function (Desk $desk) use ($ids): void {
                foreach ($ids as $id) {
                    $this->end($desk, (int) $id, new Reason('stop.retired'), 'retired');
                }
            });
        } while ($ids->isNotEmpty());
    }

    private function end(Desk $desk, int $runId, Reason $reason, string $outcome): void
    {
        $run = $desk->runs->run($runId);
        if ($run === null || $run->state->isOver()) {
            return;
        }
        if ($run->state->awaits !== null) {
            $desk->sending->drop($run, new DropText($run->state->awaits, $reason));
        }
        $run->state = $run->state->over($outcome);
        $desk->runs->note($reason, $run->ruleId, $run, $run->subject);
        $desk->runs->save($run, null);
    }

    /** @param  \Closure(Core, RunState, \DateTimeImmutable): (RunState|null)  $to  where it goes on */
    private function detour(int $runId, string $place, Reason $reason, \Closure $to): bool
    {
        $isDone = false;
        $this->work(function (Desk $desk) use ($runId, $place, $reason, $to, &$isDone): void {
            $run = $desk->runs->run($runId);
            $state = $run === null || $run->power !== Power::On || $run->state->place() !== $place ? null : $to($run->rule, $run->state, $desk->now);
            $isDone = $state !== null;
            if ($run !== null && $state !== null) {
                if ($run->state->awaits !== null) {
                    $desk->sending->drop($run, new DropText($run->state->awaits, $reason));
                }
                $run->state = $state;
                $desk->runs->note($reason, $run->ruleId, $run, $run->subject);
                $state->isOver() ? $desk->runs->save($run, null) : $desk->conductor->advance($run);
            }
        });

        return $isDone;
    }

    private function dueRun(Desk $desk, int $id): void
    {
        $run = $desk->runs->run($id);
        if ($run !== null && ! $run->state->isOver() && $run->power === Power::On) {
            $desk->conductor->advance($run);
        }
    }

    private function dueText(Desk $desk, int $id): void
    {
        $text = $desk->texts->find($id);
        $run = $text?->run;
        if ($text === null || $run === null || $run->power === Power::Paused || ! $text->fate()->isWaiting()) {
            return;
        }
        $run->state->isOver() || $this->isBeside($text) ? $this->judgeAlone($desk, $text) : $desk->conductor->advance($run, $text);
    }

    /** A text its run does not wait for: a notice, or what an unclear answer got. */
    private function isBeside(OutText $text): bool
    {
        return $text->run !== null && $text->run->state->awaits !== $text->name;
    }

    private function judgeAlone(Desk $desk, OutText $text): void
    {
        if ($text->run !== null) {
            $desk->sending->judge($text, $desk->surroundings->situation($text->run->subject, $text->run->line));
        }
    }

    private function dueStart(Desk $desk, \stdClass $timer): void
    {
        $published = $desk->known->rule((int) $timer->rule_id);
        $record = $timer->kind === Timer::START_RECORD ? $desk->known->record((int) $timer->subject_id) : null;
        if ($published === null || ($timer->kind === Timer::START_RECORD && $record === null)) {
            return;
        }
        $subject = (new Happenings($desk->known))->subject((int) $timer->subject_id, $record);
        $desk->conductor->came($published, $subject, LiveKnown::moment($timer->due_at), "timer:$timer->id");
    }

    private function dueCalendar(\stdClass $timer): void
    {
        $rule = Rule::query()->where('power', Power::On)->whereKey((int) $timer->subject_id)->first();
        $rule?->update(['calling_at' => $timer->due_at, 'calling_after' => 0]);
    }

    /**
     * @param  Collection<int, \stdClass>  $timers
     * @return list<int>
     */
    private function subjects(Collection $timers): array
    {
        return array_values(array_map(intval(...), $timers->pluck('subject_id')->all()));
    }

    /** @param  \Closure(Desk): void  $work */
    private function work(\Closure $work): void
    {
        Desk::work($this->clock->now()->setTimezone(new \DateTimeZone('UTC')), $this->deeds, $work);
    }
}
