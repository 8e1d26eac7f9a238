<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Models\Timer;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\DomainEvent;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Engine\Port\RunStore;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\ScheduledStart;
use Linnet\Core\Reason;

/** The runs in the database: read once each, written together at the end. */
final class DatabaseRunStore implements RunStore
{
    /** @var array<int, Run> */
    private array $runs = [];

    /** @var array<int, Run> those to be written */
    private array $changed = [];

    /** @var array<string, array{kind: string, subject_id: int, rule_id: int, due_at: string|null}> due at null to take it off */
    private array $timers = [];

    /** @var list<array<string, mixed>> */
    private array $traces = [];

    /** @var array<int, true> runs begun in this transaction */
    private array $fresh = [];

    /** @var array<int, array<string, mixed>> what never changes of those of them that are not written yet */
    private array $unwritten = [];

    /** @var array<string, true> what they began for, by rule and occasion */
    private array $begunFor = [];

    /** @var array<string, string> when the last of them began, by rule and person */
    private array $lastBegan = [];

    /** @var array<int, list<int>> them by person */
    private array $freshOf = [];

    private RunIds $ids;

    /** @var array<int, int> the version each run is of */
    private array $versions = [];

    /** @var array<int, list<int>> live runs by person */
    private array $live = [];

    private ?Prepared $rows = null;

    /** Whether anything is decided of texts whose run has not begun. */
    private ?bool $someDecided = null;

    public function __construct(public readonly DatabaseBusinessReader $reader, public readonly \DateTimeImmutable $now)
    {
        $this->ids = new RunIds;
    }

    public function lastBegan(string $ruleId, int $personId): ?\DateTimeImmutable
    {
        $began = $this->lastBegan["$ruleId/$personId"] ??
            DB::table('runs')->where('rule_id', (int) $ruleId)->where('person_id', $personId)->orderByDesc('id')->value('began_at');

        return $began === null ? null : DatabaseBusinessReader::moment($began);
    }

    public function begin(Published $published, Subject $subject, string $occasion, RunState $state, DomainEvent $why): ?Run
    {
        $ruleId = (int) $published->ruleId;
        $for = "$ruleId/$occasion";
        if (isset($this->begunFor[$for]) || $this->rows()->has('runs', ['rule_id' => $ruleId, 'occasion' => $occasion])) {
            return null;
        }
        $power = $this->reader->powerOf($ruleId);
        $personId = (int) $subject->personId;
        $id = $this->ids->next();
        $this->unwritten[$id] = [
            'id' => $id, 'rule_id' => $ruleId, 'rule_version_id' => $this->versions[$id] = (int) $this->reader->versionOf($ruleId),
            'person_id' => $personId, 'record_id' => $subject->recordId,
            'line_id' => $why->line === null ? null : $this->reader->line($why->line)?->id, 'number' => $why->number,
            'occasion' => $occasion, 'began_at' => $this->lastBegan["$ruleId/$personId"] = self::at($state->beganAt),
            'cause' => $why->cause->links === [] ? null : json_encode($why->cause->links, JSON_THROW_ON_ERROR),
        ];
        $this->fresh[$id] = $this->begunFor[$for] = true;
        $run = new Run(
            $id, $published->ruleId, $published->rule, $subject, $state, $why->line, $why->number, $why->cause, $power['power'],
            $power['pausedUntil'],
        );
        $this->freshOf[$personId][] = $id;
        if (isset($this->live[$personId])) {
            $this->live[$personId][] = $id;
        }

        return $this->runs[$id] = $this->changed[$id] = $run;
    }

    public function decidedBefore(string $ruleId, Subject $subject): array
    {
        // Nearly always there is nothing of the kind: asked once for all that begins in this transaction.
        $this->someDecided ??= DB::table('own_texts')->exists();
        if (! $this->someDecided) {
            return [];
        }
        $rows = DB::table('own_texts')
            ->where('rule_id', (int) $ruleId)
            ->where('person_id', (int) $subject->personId)
            ->where('record_id', $subject->recordId ?? 0);
        $decided = [];
        foreach ($rows->clone()->orderBy('id')->get(['name', 'own']) as $row) {
            $decided[(string) $row->name] = OwnText::fromArray((array) json_decode((string) $row->own, true, 4, JSON_THROW_ON_ERROR));
        }
        $decided === [] || $rows->delete();

        return $decided;
    }

    public function run(int $id): ?Run
    {
        if (! isset($this->runs[$id])) {
            $this->preload([$id]);
        }

        return $this->runs[$id] ?? null;
    }

    /** @param  list<int>  $ids */
    public function preload(array $ids): void
    {
        $ids = array_values(array_filter($ids, fn (int $id): bool => ! array_key_exists($id, $this->runs)));
        if ($ids !== []) {
            $this->hydrate(DB::table('runs')->whereIn('id', $ids)->get());
        }
    }

    public function versionOf(int $id): ?int
    {
        return $this->versions[$id] ?? null;
    }

    /** Whether a run began in this transaction, and so has no texts from before. */
    public function isFresh(int $id): bool
    {
        return isset($this->fresh[$id]);
    }

    /** @return list<Run> those that were read */
    public function all(): array
    {
        return array_values($this->runs);
    }

    /** @param  list<int>  $people whose live runs will be asked about */
    public function preloadLive(array $people): void
    {
        $unread = array_values(array_filter($people, fn (int $id): bool => ! array_key_exists($id, $this->live)));
        foreach (array_chunk($unread, 400) as $chunk) {
            $this->live += array_fill_keys($chunk, []);
            $rows = DB::table('runs')->whereIn('person_id', $chunk)->where('live', true)->orderBy('id')->get();
            $this->hydrate($rows->filter(fn (\stdClass $row): bool => ! isset($this->runs[(int) $row->id])));
            foreach ($rows as $row) {
                $this->live[(int) $row->person_id][] = (int) $row->id;
            }
            foreach ($chunk as $id) {
                array_push($this->live[$id], ...array_diff($this->freshOf[$id] ?? [], $this->live[$id]));
            }
        }
    }

    public function liveOf(int $personId): array
    {
        $this->preloadLive([$personId]);

        return array_values(
            array_filter(
                array_map(fn (int $id): Run => $this->runs[$id], $this->live[$personId]),
                fn (Run $run): bool => ! $run->state->isOver(),
            ),
        );
    }

    public function liveAbout(int $recordId): array
    {
        $known = DB::table('runs')->where('record_id', $recordId)->where('live', true)->pluck('person_id', 'id')->all();
        // Those of whoever had it are about somebody else than the change.
        PersonLocks::wait(array_values(array_map(intval(...), $known)));
        $this->preload(array_keys($known));
        $about = array_filter($this->runs, fn (Run $run): bool => $run->subject->recordId === $recordId && ! $run->state->isOver());
        ksort($about);

        return array_values($about);
    }

    public function asking(int $personId): array
    {
        $asking = array_filter($this->liveOf($personId), fn (Run $run): bool => $run->state->askedAt !== null);
        usort($asking, fn (Run $a, Run $b): int => [$b->state->askedAt, $b->id] <=> [$a->state->askedAt, $a->id]);

        return $asking;
    }

    public function save(Run $run, ?\DateTimeImmutable $wake): void
    {
        $this->changed[$run->id] = $run;
        $this->time(Timer::RUN, $run->id, 0, $run->state->isOver() ? null : $wake);
    }

    public function keep(Run $run): void
    {
        $this->changed[$run->id] = $run;
    }

    public function scheduleStart(ScheduledStart $scheduled, Subject $subject): void
    {
        $subject->recordId === null
            ? $this->time(Timer::START_PERSON, (int) $subject->personId, (int) $scheduled->ruleId, $scheduled->dueAt)
            : $this->time(Timer::START_RECORD, $subject->recordId, (int) $scheduled->ruleId, $scheduled->dueAt);
    }

    public function note(Reason $reason, ?string $ruleId, ?Run $run, Subject $subject): void
    {
        $this->trace($reason, $ruleId === null ? null : (int) $ruleId, $run?->id, $subject->personId, $subject->recordId, null);
    }

    /** @param  OutText|int|null  $message one that is kept already, or will be by the end */
    public function trace(Reason $reason, ?int $ruleId, ?int $runId, ?int $personId, ?int $recordId, OutText|int|null $message): void
    {
        $this->traces[] = [
            'person_id' => $personId, 'rule_id' => $ruleId, 'run_id' => $runId, 'record_id' => $recordId, 'message_id' => $message,
            'code' => $reason->code, 'with' => json_encode($reason->with, JSON_THROW_ON_ERROR), 'at' => self::at($this->now),
        ];
    }

    private function rows(): Prepared
    {
        return $this->rows ??= new Prepared;
    }

    /** Sets a timer, or takes it off. */
    public function time(string $kind, int $subject, int $ruleId, ?\DateTimeImmutable $due): void
    {
        if ($due === null && $kind === Timer::RUN && isset($this->fresh[$subject])) {
            // It has none yet but what was set within this transaction.
            unset($this->timers["$kind/$subject/$ruleId"]);

            return;
        }
        $this->timers["$kind/$subject/$ruleId"] = [
            'kind' => $kind, 'subject_id' => $subject, 'rule_id' => $ruleId, 'due_at' => $due === null ? null : self::at($due),
        ];
    }

    /** The runs themselves: texts speak of them. */
    public function flushRuns(): void
    {
        $rows = $this->rows();
        foreach ($this->changed as $run) {
            $over = $run->state->isOver();
            $is = [
                'state' => json_encode($run->state->toArray(), JSON_THROW_ON_ERROR), 'live' => ! $over, 'outcome' => $run->state->outcome,
                'step' => $run->state->step, 'asked_at' => $run->state->askedAt === null ? null : self::at($run->state->askedAt),
                'ended_at' => $over ? self::at($this->now) : null, 'goal_value' => $run->state->said['goal_value'] ?? null,
            ];
            isset($this->unwritten[$run->id])
                ? $rows->insert('runs', $this->unwritten[$run->id] + $is)
                : $rows->update('runs', $run->id, $is);
        }
        $this->changed = $this->unwritten = [];
        $this->ids = new RunIds;
    }

    /** What hangs on runs, and on texts. */
    public function flush(): void
    {
        $set = array_values(array_filter($this->timers, fn (array $timer): bool => $timer['due_at'] !== null));
        foreach (array_chunk($set, 200) as $chunk) {
            DB::table('timers')->upsert($chunk, ['kind', 'subject_id', 'rule_id'], ['due_at']);
        }
        $off = [];
        foreach ($this->timers as $timer) {
            if ($timer['due_at'] === null) {
                $off[$timer['kind'].'/'.$timer['rule_id']][] = $timer['subject_id'];
            }
        }
        foreach ($off as $which => $subjects) {
            [$kind, $ruleId] = explode('/', $which);
            foreach (array_chunk($subjects, 400) as $chunk) {
                DB::table('timers')->where('kind', $kind)->where('rule_id', (int) $ruleId)->whereIn('subject_id', $chunk)->delete();
            }
        }
        foreach ($this->traces as $trace) {
            $this->rows()->insert(
                'traces',
                ['message_id' => $trace['message_id'] instanceof OutText ? $trace['message_id']->id : $trace['message_id']] + $trace,
            );
        }
        $this->timers = $this->traces = [];
    }

    public static function at(\DateTimeImmutable $moment): string
    {
        // Nearly all that is written in one transaction is of one moment.
        static $last = [-1, ''];
        $seconds = $moment->getTimestamp();
        if ($last[0] !== $seconds) {
            $last = [$seconds, gmdate('Y-m-d H:i:s', $seconds)];
        }

        return $last[1];
    }

    /** @param  iterable<\stdClass>  $rows */
    private function hydrate(iterable $rows): void
    {
        foreach ($rows as $row) {
            $power = $this->reader->powerOf((int) $row->rule_id);
            /** @var array<string, mixed> $state */
            $state = json_decode((string) $row->state, true, 8, JSON_THROW_ON_ERROR);
            /** @var list<string> $links */
            $links = $row->cause === null ? [] : json_decode((string) $row->cause, true, 4, JSON_THROW_ON_ERROR);
            $this->versions[(int) $row->id] = (int) $row->rule_version_id;
            $this->runs[(int) $row->id] = new Run(
                (int) $row->id, (string) $row->rule_id, $this->reader->version((int) $row->rule_version_id),
                new Subject((int) $row->person_id, $row->record_id === null ? null : (int) $row->record_id), RunState::fromArray($state),
                $this->reader->lineKey($row->line_id === null ? null : (int) $row->line_id), $row->number, new Cause($links),
                $power['power'], $power['pausedUntil'],
            );
        }
    }
}
