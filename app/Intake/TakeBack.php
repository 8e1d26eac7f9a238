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

/** Undoes what a file did, as long as nothing has acted on it. */
final readonly class TakeBack
{
    public function __construct(private ClockInterface $clock, private Door $door)
    {
    }

    /** Why it cannot be taken back; null if it can. */
    public function obstacle(Import $import): ?Reason
    {
        $first = (int) DB::table('changes')->where('import_id', $import->id)->min('id');
        $what = match (true) {
            DB::table('runs')->whereIn('record_id', $this->records($import))->exists() => 'a rule has begun for one of its records',
            DB::table('changes')->whereIn('record_id', $this->records($import))->where('id', '>', $first)
                ->where(fn (Builder $other) => $other->whereNull('import_id')->orWhere('import_id', '!=', $import->id))->exists() => 'one of its records has been changed since',
            DB::table('messages')->whereIn('person_id', $this->people($import))->exists() => 'somebody it made known has been texted, or has written',
            DB::table('records')->whereIn('person_id', $this->people($import))
                ->whereNotIn('id', DB::table('changes')->where('import_id', $import->id)->whereNotNull('record_id')->select('record_id'))->exists() => 'somebody it made known has other records by now',
            default => null,
        };

        return $what === null ? null : new Reason('import.acted', ['what' => $what]);
    }

    public function __invoke(Import $import, Staff $staff): void
    {
        DB::transaction(function () use ($import, $staff): void {
            $this->restore($import, $staff);
            DB::table('changes')->where('import_id', $import->id)->where('kind', ChangeKind::RecordAdded->value)->orderBy('id')->select('id', 'record_id')
                ->chunkById(500, function ($changes): void {
                    $ids = $changes->pluck('record_id');
                    DB::table('traces')->whereIn('record_id', $ids)->delete();
                    DB::table('changes')->whereIn('record_id', $ids)->delete();
                    DB::table('records')->whereIn('id', $ids)->delete();
                });
            $this->people($import)->whereNotIn('id', DB::table('consents')->select('person_id'))->orderBy('id')->select('id')->chunkById(500, function ($people): void {
                $ids = $people->pluck('id');
                foreach (['changes', 'traces', 'numbers', 'external_ids', 'conversations'] as $table) {
                    DB::table($table)->whereIn('person_id', $ids)->delete();
                }
                DB::table('people')->whereIn('id', $ids)->delete();
            });
            DB::table('seen_rows')->where('scope', "import:$import->id")->delete();
            $import->update(['state' => ImportState::TakenBack]);
        });
    }

    /** What was changed becomes what it was, and agreements that only the file stated are withdrawn; stops are left. */
    private function restore(Import $import, Staff $staff): void
    {
        $origin = Origin::staff($staff)->quietly();
        $changes = DB::table('changes')->where('import_id', $import->id)->whereIn('kind', [ChangeKind::RecordChanged->value, ChangeKind::PersonChanged->value])->select('id', 'kind', 'record_id', 'person_id', 'from', 'to');
        foreach ($changes->lazyByIdDesc(500) as $change) {
            $from = (array) json_decode((string) $change->from, true);
            $change->kind === ChangeKind::RecordChanged->value
                ? $this->restoreRecord(Record::query()->with('type.fields')->find((int) $change->record_id), $from, $origin)
                : $this->restorePerson(Person::query()->find((int) $change->person_id), $from, (array) json_decode((string) $change->to, true), $origin);
        }
        Consent::query()->where('import_id', $import->id)->where('act', 'granted')
            ->get()->each(fn (Consent $entry) => Consent::query()->create([
                'person_id' => $entry->person_id, 'number' => $entry->number, 'act' => 'withdrawn', 'scope' => $entry->scope, 'how' => 'hand',
                'wording' => "The file $import->name was taken back", 'staff_id' => $staff->id, 'at' => $this->clock->now(),
            ]));
    }

    /** @param  array<string, scalar|null>  $from */
    private function restoreRecord(?Record $record, array $from, Origin $origin): void
    {
        if ($record !== null) {
            $this->door->edit($record, array_intersect_key($from, $record->type->read()->fields), $origin);
        }
    }

    /**
     * @param  array<string, scalar|null>  $from
     * @param  array<string, scalar|null>  $to
     */
    private function restorePerson(?Person $person, array $from, array $to, Origin $origin): void
    {
        if ($person === null) {
            return;
        }
        $own = array_intersect_key($from, array_flip(['first_name', 'last_name', 'email', 'zone', 'locale']));
        $person->fill($own + ['fields' => array_filter([...$person->fields, ...array_diff_key($from, $own, ['number' => 1])], fn (mixed $value): bool => $value !== null)])->save();
        if (isset($to['number'])) {
            // A number with a text or an agreement to it is no longer the file's alone.
            DB::table('numbers')->where('person_id', $person->id)->where('e164', $to['number'])
                ->whereNotIn('e164', DB::table('consents')->where('person_id', $person->id)->select('number'))
                ->whereNotIn('e164', DB::table('messages')->where('person_id', $person->id)->whereNotNull('number')->select('number'))->delete();
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
