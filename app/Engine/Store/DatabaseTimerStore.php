<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Engine\Batch;
use App\Engine\DomainEventReader;
use App\Models\Message;
use App\Models\Rule;
use App\Models\Timer;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Due\Due;
use Linnet\Core\Engine\Due\DueBroadcast;
use Linnet\Core\Engine\Due\DueRun;
use Linnet\Core\Engine\Due\DueStart;
use Linnet\Core\Engine\Due\DueText;
use Linnet\Core\Engine\Piece;
use Linnet\Core\Engine\Port\TimerStore;
use Linnet\Core\Engine\Run;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule as Core;

/** Timers in the database: claimed by the people they are about, read together with all that will be asked of them. */
final class DatabaseTimerStore implements TimerStore
{
    /** So many of whom a rule concerns all at once are gone through together. */
    private const PIECE = 200;

    /** Which timers are to be taken, and which were. */
    public Batch $batch;

    public function __construct(
        private readonly DatabaseBusinessReader $reader,
        private readonly DatabaseRunStore $runs,
        private readonly DatabaseMessageStore $texts,
    ) {
        $this->batch = new Batch;
    }

    public function claimDue(int $most): array
    {
        $timers = new Collection(Claims::timers($most, DatabaseRunStore::at($this->runs->now), $this->batch->only));
        $ids = self::ids($timers->pluck('id'));
        $this->batch->holds($ids);
        DB::table('timers')->whereIn('id', $ids)->delete();
        $this->runs->preload(self::ids($timers->where('kind', Timer::RUN)->pluck('subject_id')));
        $texts = self::ids($timers->where('kind', Timer::MESSAGE)->pluck('subject_id'));
        $this->runs->preload(self::ids(Message::query()->whereIn('id', $texts)->pluck('run_id')->filter()));
        $this->preload();

        return array_values(array_filter($timers->map($this->read(...))->all()));
    }

    /** Reads together what the runs at hand will ask about. */
    public function preload(): void
    {
        $runs = $this->runs->all();
        $people = array_values(array_unique(array_map(fn (Run $run): int => $run->personId(), $runs)));
        $this->reader->preload($people);
        $this->reader->preloadRecords(
            array_values(array_unique(array_filter(array_map(fn (Run $run): ?int => $run->subject->recordId, $runs)))),
        );
        $this->texts->preload($runs);
        $this->texts->preloadPeople($people);
    }

    public function awaitCalendar(string $ruleId, ?\DateTimeImmutable $next): void
    {
        $this->runs->time(Timer::CALENDAR, (int) $ruleId, 0, $next);
    }

    public function beginBroadcast(string $ruleId, \DateTimeImmutable $at): void
    {
        Rule::query()->where('power', ActivationState::On)->whereKey((int) $ruleId)->update([
            'broadcast_at' => DatabaseRunStore::at($at), 'broadcast_cursor' => 0,
        ]);
    }

    public function beginAwaiting(string $ruleId): void
    {
        Rule::query()->whereKey((int) $ruleId)->update(['start_cursor' => 0]);
    }

    public function takePiece(): ?Piece
    {
        $rules = Rule::query()
            ->whereRaw(Claims::PIECES, [ActivationState::On->value])
            ->orderByRaw('broadcast_at is null')
            ->orderBy('id');
        // Another worker is at its own rule's piece.
        $rules->getQuery()->lock('for update skip locked');
        $rule = $rules->first();
        $published = $rule === null ? null : $this->reader->rule($rule->id);
        if ($rule === null || $published === null) {
            $rule?->update(['broadcast_at' => null, 'broadcast_cursor' => null, 'start_cursor' => null]);

            return null;
        }
        $at = $rule->broadcast_at?->toDateTimeImmutable();
        $ids = $at === null && ! $published->rule->trigger->isAwaited()
            ? []
            : self::all($published->rule, (int) ($at === null ? $rule->start_cursor : $rule->broadcast_cursor));
        $isLast = count($ids) < self::PIECE;
        $cursor = $isLast ? null : $ids[self::PIECE - 1];
        $rule->update(
            $at === null ? ['start_cursor' => $cursor] : ['broadcast_at' => $isLast ? null : $rule->broadcast_at, 'broadcast_cursor' => $cursor],
        );

        if ($at === null && $published->rule->trigger->type() === RecordType::PERSON) {
            // How long it has been quiet around them is asked of those alone whom a rule is to wait for.
            $this->reader->preloadLastChanges($ids);
        }

        return new Piece($published, $this->subjects($published->rule->trigger->type(), $ids), $at, $isLast);
    }

    private function read(\stdClass $timer): ?Due
    {
        $at = DatabaseBusinessReader::moment($timer->due_at);
        $id = (int) $timer->subject_id;
        if ($timer->kind === Timer::RUN) {
            $run = $this->runs->run($id);

            return $run === null ? null : new DueRun($run);
        }
        if ($timer->kind === Timer::MESSAGE) {
            $text = $this->texts->find($id);

            return $text === null ? null : new DueText($text);
        }
        if ($timer->kind === Timer::CALENDAR) {
            return new DueBroadcast((string) $id, $at);
        }
        $published = $this->reader->rule((int) $timer->rule_id);
        $record = $timer->kind === Timer::START_RECORD ? $this->reader->record($id) : null;
        if ($published === null || ($timer->kind === Timer::START_RECORD && $record === null)) {
            return null;
        }

        $subject = (new DomainEventReader($this->reader))->subject($record === null ? $id : null, $record);

        return new DueStart($published, $subject, $at, "timer:$timer->id");
    }

    /**
     * @param  list<int>  $ids
     * @return list<Subject>
     */
    private function subjects(string $type, array $ids): array
    {
        $events = new DomainEventReader($this->reader);
        if ($type === RecordType::PERSON) {
            PersonLocks::wait($ids);
            $this->reader->preload($ids);
            $this->texts->preloadPeople($ids);

            return array_map(fn (int $id): Subject => $events->subject($id, null), $ids);
        }
        $people = self::ids(DB::table('records')->whereIn('id', $ids)->whereNotNull('person_id')->distinct()->pluck('person_id'));
        PersonLocks::wait($people);
        $this->reader->preloadRecords($ids);
        $this->reader->preload($people);
        $this->texts->preloadPeople($people);

        return array_map(fn (int $id): Subject => $events->subject(null, $this->reader->record($id)), $ids);
    }

    /** @return list<int> the next of whom or what a rule is about */
    private static function all(Core $rule, int $after): array
    {
        $type = $rule->trigger->type();
        $ids =
            $type === RecordType::PERSON
                ? DB::table('people')->where('id', '>', $after)
                : DB::table('records')->where(
                    'record_type_id', fn (Builder $query) => $query->from('record_types')->where('key', $type)->select('id')->limit(1),
                )->where('id', '>', $after);

        return self::ids($ids->orderBy('id')->limit(self::PIECE)->pluck('id'));
    }

    /**
     * @param  Collection<array-key, mixed>  $ids
     * @return list<int>
     */
    private static function ids(Collection $ids): array
    {
        return array_values(array_map(intval(...), $ids->all()));
    }
}
