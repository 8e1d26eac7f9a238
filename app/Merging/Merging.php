<?php

declare(strict_types=1);

namespace App\Merging;

use App\Engine\Runner;
use App\Engine\Store\PersonLocks;
use App\Intake\ChangeOrigin;
use App\Intake\ChangeRow;
use App\Models\ChangeKind;
use App\Models\ForecastMark;
use App\Models\Merge;
use App\Models\Person;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use App\Models\Timer;
use App\Models\Trace;
use App\Records\Beside;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\MergedRuns;
use Linnet\Core\Reason;
use Linnet\Core\Record\MergedConsent;
use Psr\Clock\ClockInterface;

/**
 * Two entries for one person become one: all that the one had is the other's, and what it takes to split them again is kept for a day.
 * What came since then stays with the one that was kept.
 *
 * @phpstan-type Joined array{joined: array<string, list<int>>, rows: list<array<string, mixed>>, moved: list<int>,
 * was: array<int, array<string, array{mixed, mixed}>>}
 */
final readonly class Merging
{
    /**
     * What is somebody's, with the columns by which it is theirs once: where both have one, that of the one that is kept stays.
     */
    public const THEIRS = [
        'numbers' => [], 'consents' => [], 'changes' => [], 'traces' => [], 'messages' => [], 'runs' => [], 'external_ids' => [],
        'labels' => ['kind', 'folded'], 'wording_uses' => ['wordings', 'wording'], 'codes' => [], 'notices' => [], 'tasks' => [],
        'outbound_tasks' => [], 'confirmations' => [], 'trials' => [], 'own_texts' => ['rule_id', 'record_id', 'name'],
        'rehearsed_runs' => [], 'rehearsed_texts' => [], 'scheduled_texts' => [], 'notes' => [], 'form_sends' => [],
        'several_people' => ['several_id', 'record_id'], 'records' => [],
    ];

    /** What is dealt with by itself: one conversation for each line, and what is worked out anew. */
    public const BESIDES = ['conversations', 'coming_texts', 'forecast_marks', 'merges'];

    private const OWN = ['first_name', 'last_name', 'email', 'zone', 'locale', 'line_id', 'hears_staff_id'];

    public function __construct(private ClockInterface $clock, private Runner $runner)
    {
    }

    public function merge(Person $kept, Person $gone, Staff $staff): Merge
    {
        $ended = $this->endsRuns($kept, $gone);
        $reason = new Reason('stop.merged', ['staff' => $staff->name]);
        array_map(fn (int $run) => $this->runner->stop($run, $reason, 'merged'), $ended);
        $now = $this->clock->now();

        return DB::transaction(function () use ($kept, $gone, $staff, $now): Merge {
            PersonLocks::wait([$kept->id, $gone->id]);
            $undo = [
                'person' => (array) DB::table('people')->where('id', $gone->id)->first(),
                'filled' => $this->fill($kept, $gone),
                'records' => $this->leadRecords($gone->id, $kept->id),
                'ranks' => DB::table('numbers')->where('person_id', $gone->id)->pluck('rank', 'id')->all(),
                'conversations' => $this->joinConversations($kept->id, $gone->id),
            ];
            // The number texts go to is still the one of the entry that is kept.
            $least = (int) DB::table('numbers')->where('person_id', $kept->id)->min('rank') - 1;
            DB::table('numbers')->where('person_id', $gone->id)->update(['rank' => $least]);
            [$undo['moved'], $undo['dropped']] = $this->move($gone->id, $kept->id);
            $undo['occasions'] = $this->renameOccasions($undo['moved']['runs'] ?? [], $gone->id, $kept->id);
            $undo['withdrawn'] = $this->enterWithdrawals($kept, $staff, $now);
            DB::table('coming_texts')->whereIn('about_person_id', [$kept->id, $gone->id])->delete();
            DB::table('coming_texts')->whereIn('person_id', [$kept->id, $gone->id])->delete();
            DB::table('forecast_marks')->where('person_id', $gone->id)->delete();
            DB::table('timers')->where('kind', Timer::START_PERSON)->where('subject_id', $gone->id)->delete();
            DB::table('people')->where('id', $gone->id)->delete();
            $this->noticed($kept, $staff, $undo['filled'], $now);
            Trace::note(
                new Reason('person.merged', ['staff' => $staff->name, 'name' => $gone->name()]), $now, ['person_id' => $kept->id],
            );

            return Merge::query()->create([
                'person_id' => $kept->id, 'gone_id' => $gone->id, 'staff_id' => $staff->id, 'kept' => $undo, 'at' => $now,
            ]);
        });
    }

    /** They are two again, as they were; what was said stop to meanwhile stays so. */
    public function undo(Merge $merge, Staff $staff): bool
    {
        $now = $this->clock->now();

        return DB::transaction(function () use ($merge, $staff, $now): bool {
            PersonLocks::wait([$merge->person_id]);
            $mine = $merge->canBeUndone($now)
                ? Merge::query()->whereKey($merge->id)->whereNull('undone_at')->update(['undone_at' => $now])
                : 0;
            if ($mine !== 1) {
                return false;
            }
            /** @var array{person: array<string, mixed>, filled: array<string, array{mixed, mixed}>, records: array<array-key, string>,
             * ranks: array<int, int>, conversations: Joined, moved: array<string, list<int>>,
             * dropped: array<string, list<array<string, mixed>>>, occasions: array<int, string>, withdrawn: list<int>} $undo */
            $undo = $merge->kept;
            DB::table('people')->insert($undo['person']);
            $this->empty($merge->person_id, $undo['filled']);
            foreach ($undo['moved'] as $table => $ids) {
                foreach (array_chunk($ids, 400) as $some) {
                    DB::table($table)->whereIn('id', $some)->where('person_id', $merge->person_id)
                        ->update(['person_id' => $merge->gone_id]);
                }
            }
            foreach ($undo['dropped'] as $table => $rows) {
                DB::table($table)->insertOrIgnore($rows);
            }
            foreach ($undo['ranks'] as $id => $rank) {
                DB::table('numbers')->where('id', $id)->update(['rank' => $rank]);
            }
            foreach ($undo['occasions'] as $id => $occasion) {
                DB::table('runs')->where('id', $id)->update(['occasion' => $occasion]);
            }
            foreach ($undo['records'] as $of => $field) {
                DB::table('records')->where('id', (int) $of)->update(["values->$field" => $merge->gone_id]);
            }
            $this->partConversations($merge->gone_id, $undo['conversations']);
            $this->takeBackWithdrawals($undo['withdrawn'], $merge->gone_id, $staff, $now);
            DB::table('coming_texts')->where('about_person_id', $merge->person_id)->delete();
            foreach ([$merge->person_id, $merge->gone_id] as $id) {
                $this->noticed(Person::query()->findOrFail($id), $staff, [], $now);
                Trace::note(new Reason('person.split', ['staff' => $staff->name]), $now, ['person_id' => $id]);
            }

            return true;
        });
    }

    /** @return list<int> runs of theirs that would end */
    public function endsRuns(Person $kept, Person $gone): array
    {
        $runs = Run::query()->whereIn('person_id', [$kept->id, $gone->id])->where('live', true)->orderBy('id')->get();
        $rules = Rule::query()->with('version')->whereKey($runs->pluck('rule_id')->unique()->all())->get()->keyBy('id');

        return MergedRuns::ending(array_values($runs->map(fn (Run $run): array => [
            'id' => $run->id, 'rule' => (string) $run->rule_id,
            'policy' => $rules[$run->rule_id]->version?->read()->again->policy ?? throw new \LogicException('a run has a version'),
            'record' => $run->record_id, 'began' => $run->began_at->toDateTimeImmutable(),
        ])->all()));
    }

    /** @return list<array{number: string, scope: string}> what would be withdrawn for their other numbers */
    public function withdraws(Person $kept, Person $gone): array
    {
        return MergedConsent::withdrawals($this->said([$kept->id, $gone->id]));
    }

    /**
     * @param  list<int>  $people
     * @return array<string, array{all?: string, marketing?: string}> by number and scope
     */
    private function said(array $people): array
    {
        $numbers = DB::table('numbers')->whereIn('person_id', $people)->pluck('e164')->all();
        $said = array_fill_keys($numbers, []);
        $newest = DB::table('consents')->whereIn('number', $numbers)->groupBy('number', 'scope')->selectRaw('max(id)');
        foreach (DB::table('consents')->whereIn('id', $newest)->get(['number', 'scope', 'act']) as $row) {
            if ($row->scope === 'all' || $row->scope === 'marketing') {
                $said[(string) $row->number][$row->scope] = (string) $row->act;
            }
        }

        return $said;
    }

    /** @return array<string, array{mixed, mixed}> what was empty and is filled in, before and after */
    private function fill(Person $kept, Person $gone): array
    {
        $filled = [];
        foreach (self::OWN as $key) {
            $value = $gone->getRawOriginal($key);
            if (($kept->getRawOriginal($key) === null || $kept->getRawOriginal($key) === '') && $value !== null && $value !== '') {
                $filled[$key] = [$kept->getRawOriginal($key), $value];
            }
        }
        foreach ($gone->fields as $key => $value) {
            if (! isset($kept->fields[$key])) {
                $filled["fields.$key"] = [null, $value];
            }
        }
        $kept->forceFill(array_map(fn (array $pair): mixed => $pair[1], array_filter(
            $filled, fn (string $key): bool => ! str_starts_with($key, 'fields.'), ARRAY_FILTER_USE_KEY,
        )));
        $kept->fields = $kept->fields + $gone->fields;
        $kept->save();

        return $filled;
    }

    /** @param  array<string, array{mixed, mixed}>  $filled  is taken out where it is still what was filled in */
    private function empty(int $id, array $filled): void
    {
        $person = Person::query()->findOrFail($id);
        $fields = $person->fields;
        foreach ($filled as $key => [$before, $value]) {
            if (str_starts_with($key, 'fields.')) {
                $of = substr($key, 7);
                if (($fields[$of] ?? null) === $value) {
                    unset($fields[$of]);
                }
            } elseif ($person->getRawOriginal($key) === $value) {
                $person->forceFill([$key => $before]);
            }
        }
        $person->fields = $fields;
        $person->save();
    }

    /** @return array<array-key, string> the fields that lead to the person, by record and field */
    private function leadRecords(int $from, int $to): array
    {
        $led = [];
        foreach (Beside::fields() as $field) {
            foreach (Beside::in($field, $from)->pluck('id') as $id) {
                DB::table('records')->where('id', $id)->update(["values->$field->key" => $to]);
                $led["$id/$field->key"] = $field->key;
            }
        }
        $types = DB::table('record_types')->whereNotNull('person_field')->pluck('person_field', 'id')->all();
        foreach (DB::table('records')->where('person_id', $from)->get(['id', 'record_type_id', 'values']) as $record) {
            $field = $types[$record->record_type_id] ?? null;
            /** @var array<string, mixed> $values */
            $values = json_decode((string) $record->values, true, 16, JSON_THROW_ON_ERROR);
            if ($field !== null && ($values[$field] ?? null) === $from) {
                DB::table('records')->where('id', $record->id)->update(["values->$field" => $to]);
                $led["$record->id/$field"] = (string) $field;
            }
        }

        return $led;
    }

    /**
     * @return array{array<string, list<int>>, array<string, list<array<string, mixed>>>} ids that were moved, and rows that were dropped,
     *     by table
     */
    private function move(int $from, int $to): array
    {
        $moved = $dropped = [];
        foreach (self::THEIRS as $table => $once) {
            if ($once !== []) {
                $twice = DB::table($table)->where('person_id', $from)->whereExists(function ($same) use ($table, $once, $to): void {
                    $same->from("$table as other")->where('other.person_id', $to);
                    array_map(fn (string $column) => $same->whereColumn("other.$column", "$table.$column"), $once);
                })->get();
                $dropped[$table] = array_values($twice->map(fn (\stdClass $row): array => (array) $row)->all());
                DB::table($table)->whereIn('id', $twice->pluck('id'))->delete();
            }
            $ids = DB::table($table)->where('person_id', $from)->orderBy('id')->pluck('id')->all();
            $moved[$table] = array_values(array_map(intval(...), $ids));
            DB::table($table)->where('person_id', $from)->update(['person_id' => $to]);
        }

        return [array_filter($moved), array_filter($dropped)];
    }

    /**
     * A conversation is one person's on one line: two on the same line are one.
     *
     * @return Joined
     */
    private function joinConversations(int $kept, int $gone): array
    {
        $theirs = DB::table('conversations')->where('person_id', $kept)->get()->keyBy('line_id');
        $done = ['joined' => [], 'rows' => [], 'moved' => [], 'was' => []];
        foreach (DB::table('conversations')->where('person_id', $gone)->orderBy('id')->get() as $one) {
            $other = $theirs[$one->line_id] ?? null;
            if ($other === null) {
                $done['moved'][] = (int) $one->id;
                DB::table('conversations')->where('id', $one->id)->update(['person_id' => $kept]);

                continue;
            }
            $done['rows'][] = (array) $one;
            foreach (['messages', 'reply_notices'] as $table) {
                $ids = DB::table($table)->where('conversation_id', $one->id)->orderBy('id')->pluck('id')->all();
                $done['joined']["$one->id/$table"] = array_values(array_map(intval(...), $ids));
            }
            DB::table('reply_notices')->where('conversation_id', $one->id)->delete();
            DB::table('messages')->where('conversation_id', $one->id)->update(['conversation_id' => $other->id]);
            $waiting = array_filter([$one->waiting_since, $other->waiting_since]);
            $last = $one->last_at > $other->last_at ? $one : $other;
            DB::table('conversations')->where('id', $one->id)->delete();
            $isSaid = $other->hears_staff_id !== null || $other->line_hears;
            $joined = [
                'waiting_since' => $waiting === [] ? null : min($waiting), 'opened' => $one->opened || $other->opened,
                'staff_id' => $other->staff_id ?? $one->staff_id,
                'hears_staff_id' => $isSaid ? $other->hears_staff_id : $one->hears_staff_id,
                'line_hears' => (bool) ($isSaid ? $other->line_hears : $one->line_hears),
            ];
            foreach ($joined as $column => $made) {
                $done['was'][(int) $other->id][$column] = [$other->$column, $made];
            }
            DB::table('conversations')->where('id', $other->id)->update(
                $joined + ['last_at' => $last->last_at, 'last_message_id' => $last->last_message_id],
            );
        }

        return $done;
    }

    /**
     * @param  Joined  $done
     */
    private function partConversations(int $gone, array $done): void
    {
        DB::table('conversations')->whereIn('id', $done['moved'])->update(['person_id' => $gone]);
        DB::table('conversations')->insert($done['rows']);
        foreach ($done['joined'] as $which => $ids) {
            [$id, $table] = explode('/', $which);
            foreach ($table === 'messages' ? array_chunk($ids, 400) : [] as $some) {
                DB::table('messages')->whereIn('id', $some)->update(['conversation_id' => (int) $id]);
            }
        }
        foreach ($done['was'] as $id => $columns) {
            // What was decided of it since then stays so.
            foreach ($columns as $column => [$was, $made]) {
                DB::table('conversations')->where('id', $id)->where($column, $made)->update([$column => $was]);
            }
            $last = DB::table('messages')->where('conversation_id', $id)->orderByDesc('at')->orderByDesc('id')->first(['id', 'at']);
            $last === null ||
                DB::table('conversations')->where('id', $id)->update(['last_message_id' => $last->id, 'last_at' => $last->at]);
        }
    }

    /**
     * What began once for the one has begun for the person.
     *
     * @param  list<int>  $runs
     * @return array<int, string> what it was before, by run
     */
    private function renameOccasions(array $runs, int $from, int $to): array
    {
        $renamed = [];
        foreach (array_chunk($runs, 400) as $some) {
            $theirs = DB::table('runs')->whereIn('id', $some)->where('occasion', 'like', "%person:$from%");
            foreach ($theirs->get(['id', 'rule_id', 'occasion']) as $run) {
                $is = (string) preg_replace("/\bperson:$from(?!\d)/", "person:$to", (string) $run->occasion);
                if (! DB::table('runs')->where('rule_id', $run->rule_id)->where('occasion', $is)->exists()) {
                    DB::table('runs')->where('id', $run->id)->update(['occasion' => $is]);
                    $renamed[(int) $run->id] = (string) $run->occasion;
                }
            }
        }

        return $renamed;
    }

    /** @return list<int> entries of the ledger */
    private function enterWithdrawals(Person $kept, Staff $staff, \DateTimeImmutable $now): array
    {
        $entered = [];
        foreach (MergedConsent::withdrawals($this->said([$kept->id])) as $one) {
            $entered[] = (int) DB::table('consents')->insertGetId([
                'person_id' => $kept->id, 'number' => $one['number'], 'act' => 'withdrawn', 'scope' => $one['scope'], 'how' => 'staff',
                'wording' => 'They said so from another of their numbers: two entries were made one.', 'staff_id' => $staff->id,
                'at' => $now->format('Y-m-d H:i:s'),
            ]);
        }

        return $entered;
    }

    /**
     * Where nothing was said since, what was entered for the other's sake is entered back.
     *
     * @param  list<int>  $entered
     */
    private function takeBackWithdrawals(array $entered, int $gone, Staff $staff, \DateTimeImmutable $now): void
    {
        foreach (DB::table('consents')->whereIn('id', $entered)->orderBy('id')->get() as $one) {
            $owner = (int) DB::table('numbers')->where('e164', $one->number)->value('person_id');
            DB::table('consents')->where('id', $one->id)->where('person_id', '!=', $owner)->update(['person_id' => $owner]);
            $before = DB::table('consents')->where('number', $one->number)->where('scope', $one->scope)->where('id', '<', $one->id)
                ->orderByDesc('id')->value('act');
            $isLast = DB::table('consents')->where('number', $one->number)->where('scope', $one->scope)->max('id') === $one->id;
            // Who had said nothing of it has not agreed to anything by this either.
            if ($isLast && ($one->scope === 'all' || $before === 'granted')) {
                DB::table('consents')->insert([
                    'person_id' => $owner, 'number' => $one->number, 'act' => 'granted', 'scope' => $one->scope, 'how' => 'staff',
                    'wording' => 'Two entries that were made one are two again: what the other said holds for the other alone.',
                    'staff_id' => $staff->id, 'at' => $now->format('Y-m-d H:i:s'),
                ]);
            }
        }
    }

    /**
     * Rules that wait for a date of theirs work it out anew, and so does what lies ahead.
     *
     * @param  array<string, array{mixed, mixed}>  $filled
     */
    private function noticed(Person $person, Staff $staff, array $filled, \DateTimeImmutable $now): void
    {
        $of = fn (int $which): array => array_combine(
            array_map(fn (string $key): string => str_replace('fields.', '', $key), array_keys($filled)), array_column($filled, $which),
        );
        DB::table('changes')->insert(
            ChangeRow::of(ChangeKind::PersonChanged, null, $person->id, $of(0), $of(1), ChangeOrigin::staff($staff), $now),
        );
        ForecastMark::leave([$person->id]);
    }
}
