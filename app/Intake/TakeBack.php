<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\ChangeKind;
use App\Models\Consent;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Person;
use App\Models\Record;
use App\Models\Staff;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/**
 * Undoes what a file did, as long as nothing has acted on it: some at a time, by the worker, so that nobody waits and nothing is held up.
 */
final readonly class TakeBack
{
    private const PIECE = 200;

    public function __construct(private ClockInterface $clock, private RecordWriter $writer)
    {
    }

    /** Why it cannot be taken back; null if it can. */
    public function obstacle(Import $import): ?Reason
    {
        $first = (int) DB::table('changes')->where('import_id', $import->id)->min('id');
        $what = match (true) {
            DB::table('runs')->whereIn('record_id', $this->records($import))->exists() => 'a rule has begun for one of its records',
            DB::table('changes')
                ->whereIn('record_id', $this->records($import))
                ->where('id', '>', $first)
                ->where(fn (Builder $other) => $other->whereNull('import_id')->orWhere('import_id', '!=', $import->id))
                ->exists() => 'one of its records has been changed since',
            DB::table('messages')->whereIn('person_id', $this->people($import))->exists() => 'somebody it made known has been texted, or has written',
            DB::table('records')
                ->whereIn('person_id', $this->people($import))
                ->whereNotIn('id', DB::table('changes')->where('import_id', $import->id)->whereNotNull('record_id')->select('record_id'))
                ->exists() => 'somebody it made known has other records by now',
            default => null,
        };

        return $what === null ? null : new Reason('import.acted', ['what' => $what]);
    }

    public function begin(Import $import, Staff $staff): void
    {
        $import->update(['state' => ImportState::TakingBack, 'staff_id' => $staff->id, 'undone_to' => null]);
    }

    /**
     * The next piece, in one transaction: what was changed becomes what it was, the last first; agreements that only the file stated are
     * withdrawn; records and people it made are taken out. Whom a rule or somebody here has acted on meanwhile stays.
     *
     * @return int how much was undone; 0 where nothing is left
     */
    public function piece(int $id): int
    {
        return DB::transaction(function () use ($id): int {
            $import = Import::query()->lockForUpdate()->with('staff')->find($id);
            if ($import === null || $import->state !== ImportState::TakingBack || $import->staff === null) {
                return 0;
            }
            $done =
                $this->restore($import, $import->staff) ?:
                $this->withdraw($import, $import->staff) ?:
                $this->takeOutRecords($import) ?:
                $this->takeOutPeople($import);
            if ($done === 0) {
                DB::table('seen_rows')->where('scope', "import:$import->id")->delete();
                $import->update(['state' => ImportState::TakenBack]);
            }

            return max(1, $done);
        });
    }

    private function restore(Import $import, Staff $staff): int
    {
        $origin = ChangeOrigin::staff($staff)->quietly();
        $changes = DB::table('changes')
            ->where('import_id', $import->id)
            ->whereIn('kind', [ChangeKind::RecordChanged->value, ChangeKind::PersonChanged->value])
            ->when($import->undone_to !== null, fn (Builder $older) => $older->where('id', '<', $import->undone_to))
            ->orderByDesc('id')
            ->limit(self::PIECE)
            ->get(['id', 'kind', 'record_id', 'person_id', 'from', 'to']);
        $records = Record::query()
            ->whereKey($changes->pluck('record_id')->filter()->all())
            ->with('type.fields')
            ->get()
            ->keyBy('id');
        $people = Person::query()
            ->whereKey($changes->pluck('person_id')->filter()->all())
            ->get()
            ->keyBy('id');
        foreach ($changes as $change) {
            $from = (array) json_decode((string) $change->from, true);
            $change->kind === ChangeKind::RecordChanged->value
                ? $this->restoreRecord($records[(int) $change->record_id] ?? null, $from, $origin)
                : $this->restorePerson(
                    $people[(int) $change->person_id] ?? null, $from, (array) json_decode((string) $change->to, true), $origin,
                );
            $import->undone_to = (int) $change->id;
        }
        $import->save();

        return count($changes);
    }

    private function withdraw(Import $import, Staff $staff): int
    {
        $granted = Consent::query()
            ->where('import_id', $import->id)
            ->where('act', 'granted')
            ->whereNotExists(
                fn (Builder $later) => $later
                    ->from('consents as later')
                    ->whereColumn('later.number', 'consents.number')
                    ->whereColumn('later.scope', 'consents.scope')
                    ->whereColumn('later.id', '>', 'consents.id')
                    ->where('later.act', 'withdrawn'),
            )
            ->orderBy('id')
            ->limit(self::PIECE)
            ->get();
        foreach ($granted as $entry) {
            Consent::query()->create([
                'person_id' => $entry->person_id, 'number' => $entry->number, 'act' => 'withdrawn', 'scope' => $entry->scope,
                'how' => 'hand', 'wording' => "The file $import->name was taken back", 'staff_id' => $staff->id,
                'at' => $this->clock->now(),
            ]);
        }

        return count($granted);
    }

    private function takeOutRecords(Import $import): int
    {
        $ids = DB::table('changes')->where('import_id', $import->id)->where('kind', ChangeKind::RecordAdded->value)
            ->whereNotExists(fn (Builder $runs) => $runs->from('runs')->whereColumn('runs.record_id', 'changes.record_id'))
            ->orderBy('id')->limit(self::PIECE)->pluck('record_id');
        DB::table('traces')->whereIn('record_id', $ids)->delete();
        DB::table('deliveries')->whereIn('record_id', $ids)->update(['record_id' => null]);
        DB::table('changes')->whereIn('record_id', $ids)->delete();
        DB::table('records')->whereIn('id', $ids)->delete();

        return count($ids);
    }

    private function takeOutPeople(Import $import): int
    {
        $query = $this->people($import);
        foreach (['consents', 'messages', 'records', 'runs'] as $table) {
            $query->whereNotExists(fn (Builder $theirs) => $theirs->from($table)->whereColumn("$table.person_id", 'people.id'));
        }
        $ids = $query->orderBy('id')->limit(self::PIECE)->pluck('id');
        foreach (['changes', 'traces', 'numbers', 'external_ids', 'conversations', 'labels'] as $table) {
            DB::table($table)->whereIn('person_id', $ids)->delete();
        }
        DB::table('people')->whereIn('id', $ids)->delete();

        return count($ids);
    }

    /** @param  array<string, scalar|null>  $from */
    private function restoreRecord(?Record $record, array $from, ChangeOrigin $origin): void
    {
        if ($record !== null) {
            $this->writer->edit($record, array_intersect_key($from, $record->type->read()->fields), $origin);
        }
    }

    /**
     * @param  array<string, scalar|null>  $from
     * @param  array<string, scalar|null>  $to
     */
    private function restorePerson(?Person $person, array $from, array $to, ChangeOrigin $origin): void
    {
        if ($person === null) {
            return;
        }
        $own = array_intersect_key($from, array_flip(['first_name', 'last_name', 'email', 'zone', 'locale']));
        $person
            ->fill(
                $own + [
                    'fields' => array_filter(
                        [...$person->fields, ...array_diff_key($from, $own, ['number' => 1])],
                        fn (mixed $value): bool => $value !== null,
                    ),
                ],
            )
            ->save();
        if (isset($to['number'])) {
            // A number with a text or an agreement to it is no longer the file's alone.
            DB::table('numbers')->where('person_id', $person->id)->where('e164', $to['number'])
                ->whereNotIn('e164', DB::table('consents')->where('person_id', $person->id)->select('number'))
                ->whereNotIn('e164', DB::table('messages')->where('person_id', $person->id)->whereNotNull('number')->select('number'))
                ->delete();
        }
        DB::table('changes')->insert(ChangeRow::of(ChangeKind::PersonChanged, null, $person->id, $to, $from, $origin, $this->clock->now()));
    }

    private function records(Import $import): Builder
    {
        return DB::table('changes')->where('import_id', $import->id)->whereNotNull('record_id')->select('record_id');
    }

    private function people(Import $import): Builder
    {
        return DB::table('people')->where('import_id', $import->id)->select('id');
    }
}
