<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Engine\DomainEventReader;
use App\Engine\Store\DatabaseBusinessReader;
use App\Engine\Store\UnitOfWork;
use App\Models\Change;
use App\Models\MessageState;
use App\Models\Record as RecordModel;
use App\Models\Timer;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Engine\Run;
use Linnet\Core\InMemory\InMemoryRule;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Reason;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;

/** Copies some people out of the database onto paper, with all that is under way about them. */
final readonly class SheetReader
{
    public function __construct(private UnitOfWork $unit)
    {
    }

    /** @param  list<int>  $people */
    public function of(array $people): Sheet
    {
        $reader = $this->unit->reader;
        $sheet = new Sheet($reader->configuration($this->nextCodes(count($people))), $this->unit->now);
        $sheet->lastRun = (int) DB::table('runs')->max('id');
        $this->rules($sheet);
        $this->lookUp($sheet, $people, beside: false);
        $this->records($sheet, $people);
        $this->runs($sheet, $people);
        $this->texts($sheet, $people);
        $beside = $this->beside($sheet, $people);
        (new MessageHistoryReader($reader, $this->unit->now))->fill($sheet->history, [...$people, ...$beside]);
        $this->timers($sheet, $people);
        $this->changes($sheet, $people);

        return $sheet;
    }

    /** @return array<string, list<string>> */
    private function nextCodes(int $most): array
    {
        $codes = [];
        foreach (DB::table('codes')->distinct()->pluck('list') as $list) {
            $codes[(string) $list] = array_values(array_map(
                strval(...),
                DB::table('codes')->where('list', $list)->whereNull('person_id')->orderBy('id')->limit($most)->pluck('code')->all(),
            ));
        }

        return $codes;
    }

    private function rules(Sheet $sheet): void
    {
        $rows = DB::table('rules')
            ->whereNotNull('version_id')
            ->orderBy('id')
            ->get(['id', 'version_id', 'broadcast_at', 'start_cursor']);
        $this->unit->reader->preloadVersions(self::ids($rows->pluck('version_id')->all()));
        foreach ($rows as $row) {
            $power = $this->unit->reader->powerOf((int) $row->id);
            $version = $this->unit->reader->version((int) $row->version_id);
            $rule = $sheet->rules[(int) $row->id] = new InMemoryRule((string) $row->id, $version);
            $rule->power = $power['power'];
            $rule->pausedUntil = $power['pausedUntil'];
            // Those who were gone through already are, once more, to no effect: a run is begun once for its occasion.
            if ($row->broadcast_at !== null) {
                $sheet->pieces[] = [$rule->id, DatabaseBusinessReader::moment($row->broadcast_at)];
            }
            if ($row->start_cursor !== null) {
                $sheet->pieces[] = [$rule->id, null];
            }
        }
    }

    /** @param  list<int>  $people */
    private function lookUp(Sheet $sheet, array $people, bool $beside): void
    {
        $reader = $this->unit->reader;
        $reader->preload($people);
        $reader->preloadLastChanges($people);
        foreach ($people as $id) {
            $person = $reader->person($id);
            if ($person === null) {
                continue;
            }
            $beside ? ($sheet->beside[$id] = $person) : ($sheet->people[$id] = $person);
            foreach ($person->numbers as $number) {
                $sheet->consent[$number->e164] = $reader->consent($number->e164);
            }
            $sheet->lastChangeAt[$id] = $reader->lastChangeAt($id);
            $replied = $reader->lastReplyAt($id);
            if ($replied !== null) {
                $sheet->lastReplyAt[$id] = $replied;
            }
        }
        foreach (DB::table('conversations')->whereIn('person_id', $people)->where('opened', true)->get(['person_id', 'line_id']) as $row) {
            $sheet->opened["$row->person_id/".$reader->lineKey((int) $row->line_id)] = true;
        }
        foreach ($reader->lastTextsOf($people) as $id => $last) {
            $sheet->lastTexts[$id] = $last;
        }
    }

    /** @param  list<int>  $people */
    private function records(Sheet $sheet, array $people): void
    {
        $reader = $this->unit->reader;
        $ids = self::ids(DB::table('records')->whereIn('person_id', $people)->orderBy('id')->pluck('id')->all());
        $reader->preloadRecords($ids);
        $named = [];
        foreach ($ids as $id) {
            $record = $reader->record($id);
            if ($record === null) {
                continue;
            }
            $sheet->records[$id] = $record;
            $sheet->recordsOf[(int) $record->personId][] = $id;
            $named += self::references($record);
        }
        $of = fn (FieldKind $kind): array => array_values(array_map(
            fn (array $one): int => $one[1],
            array_filter($named, fn (array $one): bool => $one[0] === $kind),
        ));
        $reader->preload($of(FieldKind::Person));
        $called = RecordModel::query()
            ->with('type')
            ->whereKey($of(FieldKind::Record))
            ->get()
            ->mapWithKeys(fn (RecordModel $record): array => [$record->id => $record->called()]);
        foreach ($named as $key => [$kind, $id]) {
            $sheet->names[$key] = ($kind === FieldKind::Record ? $called[$id] ?? null : $reader->nameOf($kind, $id)) ?? '';
        }
    }

    /**
     * Those whom rules text about records of others: they can be texted, and nothing begins for them.
     *
     * @param  list<int>  $people  who is on it anyway
     * @return list<int>
     */
    private function beside(Sheet $sheet, array $people): array
    {
        $beside = [];
        foreach ($this->pathsBeside($sheet) as $path) {
            [$type, $key] = RecordType::split($path);
            foreach ($sheet->records as $record) {
                $id = $record->type->key === $type ? $record->values[$key] ?? null : null;
                is_numeric($id) && $beside[(int) $id] = true;
            }
        }
        $ids = array_values(array_diff(array_keys($beside), $people));
        $this->lookUp($sheet, $ids, beside: true);

        return $ids;
    }

    /** @return list<string> the fields in which those stand whom rules text about records of others */
    private function pathsBeside(Sheet $sheet): array
    {
        $paths = [];
        $rules = [
            ...array_map(fn (InMemoryRule $one): Rule => $one->rule, $sheet->rules),
            ...array_map(fn (Run $one): Rule => $one->rule, $sheet->runs),
        ];
        foreach ($rules as $rule) {
            foreach ($rule->flow->texts() as $step) {
                $step->outgoing()->to->isBeside() && $paths[] = $step->outgoing()->to->which;
            }
        }

        return array_values(array_unique($paths));
    }

    /** @return array<string, array{FieldKind, int}> whom and what its fields lead to */
    private static function references(Record $record): array
    {
        $named = [];
        foreach ($record->type->fields as $field) {
            $value = $record->values[$field->key] ?? null;
            if (($field->kind === FieldKind::Person || $field->kind === FieldKind::Record) && is_numeric($value)) {
                $named["{$field->kind->value}:$value"] = [$field->kind, (int) $value];
            }
        }

        return $named;
    }

    /** @param  list<int>  $people */
    private function runs(Sheet $sheet, array $people): void
    {
        $rows = DB::table('runs')->whereIn('person_id', $people)->orderBy('id')->get(['rule_id', 'person_id', 'occasion', 'began_at']);
        foreach ($rows as $row) {
            $sheet->occasions["$row->rule_id|$row->occasion"] = true;
            $sheet->lastBegan["$row->rule_id/$row->person_id"] = DatabaseBusinessReader::moment($row->began_at);
        }
        // What a rule did once for a record it does not do again, whoever had it then.
        foreach (array_chunk(array_keys($sheet->records), 400) as $some) {
            $others = DB::table('runs')->whereIn('record_id', $some)->whereNotIn('person_id', $people);
            foreach ($others->get(['rule_id', 'occasion']) as $row) {
                $sheet->occasions["$row->rule_id|$row->occasion"] = true;
            }
        }
        foreach (DB::table('own_texts')->whereIn('person_id', $people)->orderBy('id')->get() as $row) {
            $subject = $row->record_id > 0 ? "record:$row->record_id" : "person:$row->person_id";
            $own = OwnText::fromArray((array) json_decode((string) $row->own, true, 4, JSON_THROW_ON_ERROR));
            $sheet->decided["$row->rule_id/$subject/$row->person_id"][(string) $row->name] = $own;
        }
        $this->unit->runs->preloadLive($people);
        foreach ($people as $id) {
            foreach ($this->unit->runs->liveOf($id) as $run) {
                $sheet->runs[$run->id] = $sheet->live[$id][$run->id] = $run;
                $asked = $run->state->askedAt !== null;
                $sheet->put[$run->id] = $asked ? $this->unit->reader->replies($run->id, $run->state->heard) : [];
            }
        }
    }

    /**
     * Every text of a run that is under way, and what waits of those that are over.
     *
     * @param  list<int>  $people
     */
    private function texts(Sheet $sheet, array $people): void
    {
        $over = DB::table('messages')
            ->whereIn('person_id', $people)
            ->whereIn('state', [MessageState::Waiting->value, MessageState::SetAside->value])
            ->whereNotNull('run_id')
            ->whereNotIn('run_id', array_keys($sheet->runs))
            // About records of others they are texted by runs that are not on it.
            ->whereIn('run_id', DB::table('runs')->whereIn('person_id', $people)->select('id'))
            ->pluck('run_id');
        if ($this->pathsBeside($sheet) !== []) {
            $over = $over->concat(DB::table('messages')->join('runs', 'runs.id', 'messages.run_id')->whereIn('runs.person_id', $people)
                ->whereColumn('messages.person_id', '!=', 'runs.person_id')
                ->whereIn('messages.state', [MessageState::Waiting->value, MessageState::SetAside->value])->pluck('run_id'));
        }
        $this->unit->runs->preload(self::ids($over->unique()->all()));
        $this->unit->texts->preload($this->unit->runs->all());
        foreach ($this->unit->texts->all() as $key => $text) {
            $sheet->texts[$key] = $text;
            if ($text->run !== null) {
                $sheet->runs[$text->run->id] = $text->run;
            }
        }
        $kept = [MessageState::Waiting->value, MessageState::SetAside->value, MessageState::Ready->value];
        foreach (array_chunk(array_keys($sheet->runs), 400) as $some) {
            foreach (DB::table('messages')->whereIn('run_id', $some)->whereIn('state', $kept)->get(['name', 'state', 'reason']) as $row) {
                $text = $sheet->texts[(string) $row->name];
                // What has passed the gate is taken by its carrier.
                $text->isHanded = $text->isHanded || $row->state === MessageState::Ready->value;
                $text->reason = $row->reason === null ? null : self::reason((string) $row->reason);
            }
        }
    }

    /** @param  list<int>  $people */
    private function timers(Sheet $sheet, array $people): void
    {
        $named = [];
        foreach ($sheet->texts as $key => $text) {
            $named[(int) $text->id] = $key;
        }
        $of = fn (string $kind, array $ids): array => array_merge(...array_map(
            fn (array $some): array => DB::table('timers')
                ->where('kind', $kind)
                ->whereIn('subject_id', $some)
                ->whereNotNull('due_at')
                ->get()
                ->all(),
            array_chunk($ids, 400) ?: [[]],
        ));
        $timers = [
            ...$of(Timer::RUN, array_keys($sheet->runs)), ...$of(Timer::MESSAGE, array_keys($named)),
            ...$of(Timer::START_PERSON, array_keys($sheet->people)), ...$of(Timer::START_RECORD, array_keys($sheet->records)),
            ...$of(Timer::CALENDAR, array_keys($sheet->rules)),
        ];
        usort($timers, fn (\stdClass $a, \stdClass $b): int => [(string) $a->due_at, (int) $a->id] <=> [(string) $b->due_at, (int) $b->id]);
        foreach ($timers as $timer) {
            $sheet->agenda->schedule(
                match ($timer->kind) {
                    Timer::RUN => "run:$timer->subject_id",
                    Timer::MESSAGE => 'text:'.$named[(int) $timer->subject_id],
                    Timer::START_RECORD => "start:$timer->rule_id:record:$timer->subject_id",
                    Timer::START_PERSON => "start:$timer->rule_id:person:$timer->subject_id",
                    default => "calendar:$timer->subject_id",
                },
                DatabaseBusinessReader::moment($timer->due_at),
            );
        }
    }

    /**
     * What has happened and the engine has not taken yet.
     *
     * @param  list<int>  $people
     */
    private function changes(Sheet $sheet, array $people): void
    {
        $events = new DomainEventReader($this->unit->reader);
        foreach (Change::query()->where('handled', false)->whereIn('person_id', $people)->orderBy('id')->get() as $change) {
            $event = $events->of($change);
            if ($event !== null) {
                $sheet->events[] = $event;
            }
        }
    }

    private static function reason(string $json): Reason
    {
        /** @var array{code: string, with: array<string, scalar>} $reason */
        $reason = json_decode($json, true, 16, JSON_THROW_ON_ERROR);

        return new Reason($reason['code'], $reason['with']);
    }

    /**
     * @param  array<array-key, mixed>  $ids
     * @return list<int>
     */
    private static function ids(array $ids): array
    {
        return array_values(array_map(intval(...), $ids));
    }
}
