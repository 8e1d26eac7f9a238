<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Business;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Record;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Timer;
use App\Models\Trace;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Engine;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Engine\TextFate;
use Linnet\Core\Gate\Power;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\RecordAdded;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Record\Receiver;
use Psr\Clock\ClockInterface;

/** Loads, asks the core, stores: one transaction for each change and each timer. */
final readonly class Runner
{
    public function __construct(
        private ClockInterface $clock,
        private Profiles $profiles,
        private Situations $situations,
        private Texts $texts,
    ) {
    }

    public function change(int $id): void
    {
        DB::transaction(function () use ($id): void {
            $change = Change::query()->lockForUpdate()->find($id);
            if ($change === null || $change->handled) {
                return;
            }
            $change->update(['handled' => true]);
            if ($change->kind === ChangeKind::TextReceived) {
                $this->lookAgain(Run::query()->where('person_id', $change->person_id)->where('live', true)->orderBy('id')->get());
            } elseif ($change->record !== null) {
                $this->start($change, $change->record);
            }
        });
    }

    public function timer(int $id): void
    {
        DB::transaction(function () use ($id): void {
            $timer = Timer::query()->lockForUpdate()->find($id);
            $now = $this->clock->now();
            if ($timer === null || $timer->due_at === null || $timer->due_at > $now) {
                return;
            }
            $run = $timer->kind === Timer::RUN
                ? Run::query()->find($timer->subject_id)
                : Message::query()->find($timer->subject_id)?->run;
            if ($run === null || ! $run->live) {
                $timer->delete();
            } elseif ($run->rule->power === Power::Paused) {
                // The run keeps its place; switching the rule on again sets the timer.
                $timer->update(['due_at' => null]);
            } elseif ($timer->kind === Timer::RUN) {
                $timer->delete();
                $this->advance($run);
            } else {
                $this->advance($run, $timer->subject_id);
                // A text that is held again has a later moment by now; for any other there is nothing left to wait for.
                Timer::query()->whereKey($id)->where('due_at', '<=', $now)->delete();
            }
        });
    }

    /** Puts a text that is held or set aside before the gate again, and moves its run on if it left. */
    public function ask(int $messageId): void
    {
        DB::transaction(function () use ($messageId): void {
            $run = Message::query()->lockForUpdate()->find($messageId)?->run;
            if ($run !== null && $run->live) {
                $this->advance($run, $messageId);
            }
        });
    }

    /** Somebody decided that a text which waits is not to go; its run goes on without it. */
    public function skip(int $messageId, string $staff): void
    {
        DB::transaction(function () use ($messageId, $staff): void {
            $message = Message::query()->lockForUpdate()->find($messageId);
            if ($message?->run !== null && $message->run->live) {
                $name = substr($message->name, strlen("{$message->run->id}/"));
                $this->texts->drop($message->run, new DropText($name, new Reason('staff.skipped', ['staff' => $staff])), $this->clock->now());
                $this->advance($message->run);
            }
        });
    }

    /** Gives every live run of a rule a look, as after it was switched on again. */
    public function wake(Rule $rule): void
    {
        $now = $this->clock->now();
        foreach (Run::query()->where('rule_id', $rule->id)->where('live', true)->orderBy('id')->lazyById() as $run) {
            $awaited = $this->awaited($run);
            $awaited === null ? Timer::put(Timer::RUN, $run->id, $now) : Timer::put(Timer::MESSAGE, $awaited->id, $now);
        }
    }

    /** @param  iterable<Run>  $runs */
    private function lookAgain(iterable $runs): void
    {
        foreach ($runs as $run) {
            $this->advance($run);
        }
    }

    private function start(Change $change, Record $record): void
    {
        $business = Business::ours();
        $person = $record->person;
        $receiver = $person === null ? null : $this->profiles->receiver($person, $business);
        $line = $this->situations->line($record);
        $situation = $this->situations->of($person, $receiver, $record, $line, $business, $change->at);
        $rules = Rule::query()->where('power', Power::On)->with('version')->orderBy('id')->get();
        $about = ['person_id' => $person?->id, 'record_id' => $record->id];

        $starts = Engine::start(
            array_values($rules->filter(fn (Rule $rule): bool => $rule->version !== null)->map(fn (Rule $rule): Published => $this->published($rule, $person))->all()),
            $change->kind === ChangeKind::RecordChanged
                ? new RecordChanged($record->type->key, $change->from ?? [], $change->to ?? [])
                : new RecordAdded($record->type->key),
            $situation, $person === null ? null : (string) $person->id, (string) $record->id, (string) $change->id,
        );
        foreach ($starts as $start) {
            $rule = $rules->find((int) $start->ruleId);
            if ($start->occasion === null || $rule?->version === null || $person === null || $receiver === null) {
                Trace::note($start->reason, $situation->now, [...$about, 'rule_id' => (int) $start->ruleId]);

                continue;
            }
            if (Run::query()->where('rule_id', $rule->id)->where('occasion', $start->occasion)->exists()) {
                Trace::note(new Reason('start.before', ['who' => $situation->who]), $situation->now, [...$about, 'rule_id' => $rule->id]);

                continue;
            }
            $run = Run::query()->create([
                'rule_id' => $rule->id, 'rule_version_id' => $rule->version->id, 'person_id' => $person->id, 'record_id' => $record->id,
                'line_id' => $line?->id, 'occasion' => $start->occasion, 'live' => true, 'began_at' => $situation->now,
                'state' => RunState::begin($rule->version->read()->steps[0]->id(), $situation->now)->toArray(),
            ]);
            Trace::note($start->reason, $situation->now, [...$about, 'rule_id' => $rule->id, 'run_id' => $run->id]);
            $this->advance($run);
        }
    }

    /** @param  int|null  $messageId a text of the run to put before the gate again first */
    private function advance(Run $run, ?int $messageId = null): void
    {
        $business = Business::ours();
        $receiver = $this->profiles->receiver($run->person, $business);
        $situation = $this->situations->of($run->person, $receiver, $run->record, $run->line, $business, $this->clock->now());
        $awaited = $this->awaited($run);
        $fates = $awaited === null ? [] : [(string) $run->state['awaits'] => $this->fate($awaited)];
        $rule = $run->version->read();
        $state = $run->readState();

        do {
            $outcome = Engine::advance($rule, $state, $situation->later($situation->now, $fates));
            $state = $outcome->state;
            foreach ($outcome->trace as $reason) {
                $this->note($reason, $run, $situation);
            }
            $fates = $this->perform($outcome->effects, $run, $situation, $receiver, $business);
            if ($outcome->effects === [] && ! $state->isOver() && $awaited !== null && $awaited->id === $messageId) {
                $fates = [(string) $state->awaits => $this->texts->judge($awaited, $run, $situation, $receiver, $business)];
                $awaited = null;
            }
            $moved = array_filter($fates, fn (TextFate $fate): bool => $fate !== TextFate::Waiting) !== [];
        } while ($moved && ! $state->isOver());

        $run->update([
            'state' => $state->toArray(),
            'live' => ! $state->isOver(),
            'outcome' => $state->outcome,
            'ended_at' => $state->isOver() ? $situation->now : null,
        ]);
        $outcome->wake === null ? Timer::clear(Timer::RUN, $run->id) : Timer::put(Timer::RUN, $run->id, $outcome->wake);
    }

    /**
     * @param  list<\Linnet\Core\Engine\Effect\Effect>  $effects
     * @return array<string, TextFate> what became of the texts, by name
     */
    private function perform(array $effects, Run $run, Situation $situation, Receiver $to, Business $business): array
    {
        $fates = [];
        foreach ($effects as $effect) {
            if ($effect instanceof SendText) {
                $fates[$effect->name] = $this->texts->want($run, $effect, $situation, $to, $business);
            } elseif ($effect instanceof DropText) {
                $this->texts->drop($run, $effect, $situation->now);
            }
        }

        return $fates;
    }

    private function published(Rule $rule, ?Person $person): Published
    {
        $version = $rule->version ?? throw new \LogicException('filtered before');
        $last = $person === null ? null : Run::query()->where('rule_id', $rule->id)->where('person_id', $person->id)->orderByDesc('id')->first();

        return new Published((string) $rule->id, $version->read(), $last?->began_at);
    }

    private function awaited(Run $run): ?Message
    {
        $name = $run->state['awaits'];

        return $name === null ? null : Message::query()->firstWhere('name', "$run->id/$name");
    }

    private function fate(Message $message): TextFate
    {
        return match ($message->state) {
            MessageState::Waiting, MessageState::SetAside => TextFate::Waiting,
            MessageState::Dropped => TextFate::Dropped,
            default => TextFate::Left,
        };
    }

    private function note(Reason $reason, Run $run, Situation $situation): void
    {
        Trace::note($reason, $situation->now, [
            'person_id' => $run->person_id, 'rule_id' => $run->rule_id, 'run_id' => $run->id, 'record_id' => $run->record_id,
        ]);
    }
}
