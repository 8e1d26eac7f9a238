<?php

declare(strict_types=1);

namespace App\Intake;

use App\Database\Trouble;
use App\Models\Business;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Source;
use App\Models\SourceKind;
use App\Outside\Fetcher;
use App\Outside\Unfit;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\ActivationState;
use Psr\Clock\ClockInterface;

/** Looks at watched addresses when it is time; only rows that are new or changed are taken. */
final readonly class Watches
{
    public function __construct(
        private ClockInterface $clock,
        private Fetcher $fetcher,
        private Imports $imports,
        private RecordWriter $writer,
    ) {
    }

    /** @return int how many addresses were looked at */
    public function poll(): int
    {
        $due = Source::query()
            ->where('kind', SourceKind::Watched)
            ->where('power', ActivationState::On)
            ->where('look_at', '<=', $this->clock->now())
            ->orderBy('look_at')
            ->limit(3)
            ->get();
        foreach ($due as $source) {
            // Set first, so that a file that breaks something is not looked at over and over.
            $source->update([
                'look_at' => $this->clock->now()->modify("+$source->every_minutes minutes"),
                'looked_at' => $this->clock->now(),
            ]);
            $this->fetch($source);
        }

        return count($due);
    }

    /** After a file is taken in: one that gave nothing new is forgotten, and what is no longer in it is said to be gone. */
    public function settle(Import $import): void
    {
        $source = $import->source;
        if ($source === null || $import->state !== ImportState::Done) {
            return;
        }
        DB::transaction(function () use ($import, $source): void {
            if ($source->gone !== null) {
                $this->gone($import, $source);
            }
            // The newest table is kept, as a sample to map by.
            Import::query()
                ->where('source_id', $source->id)
                ->where('id', '<', $import->id)
                ->orderByDesc('id')
                ->limit(5)
                ->get()
                ->each(fn (Import $older) => @unlink($older->table()));
            DB::table('seen_rows')
                ->where('scope', "source:$source->id")
                ->where('import_id', '<', $import->id)
                ->delete();
            if (
                $import->added + $import->changed + $import->refused === 0 &&
                ! DB::table('changes')->where('import_id', $import->id)->exists() &&
                Import::query()->where('source_id', $source->id)->where('state', ImportState::Done)->where('id', '<', $import->id)->exists()
            ) {
                @unlink($import->table());
                DB::table('seen_rows')
                    ->where('import_id', $import->id)
                    ->update([
                        'import_id' => (int) Import::query()->where('source_id', $source->id)->where('id', '<', $import->id)->max('id'),
                    ]);
                $import->delete();
            }
        });
    }

    private function fetch(Source $source): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'linnet');
        try {
            $this->fetcher->fetch((string) $source->address, $path);
            $import = $this->imports->open($path, $source->name, null, $source);
            $source->update(['problem' => $import->problem]);
            if ($import->state === ImportState::Failed) {
                @unlink($import->table());
                $import->delete();
            } elseif ($source->mapping !== null) {
                $import->update(['mapping' => $source->mapping]);
                // What is there at the first look is old news: no rule acts on it.
                $this->imports->start(
                    $import,
                    ! Import::query()->where('source_id', $source->id)->where('state', ImportState::Done)->exists(),
                );
            } else {
                Import::query()
                    ->where('source_id', $source->id)
                    ->where('state', ImportState::ToMap)
                    ->where('id', '<', $import->id)
                    ->get()
                    ->each(function (Import $older): void {
                        @unlink($older->table());
                        $older->delete();
                    });
            }
        } catch (Unfit $e) {
            $source->update(['problem' => $e->reason->toArray()]);
        } catch (\Throwable $e) {
            if (Trouble::passes($e)) {
                throw $e;
            }
            // One source's trouble is that source's alone.
            report($e);
            $source->update(['problem' => Imports::damaged($e)->toArray()]);
        } finally {
            @unlink($path);
        }
    }

    private function gone(Import $import, Source $source): void
    {
        $type = RecordType::query()->where('key', $source->mapping['type'] ?? '')->with('fields')->first();
        $gone = $source->gone;
        $field = $type?->field($gone['field'] ?? null);
        if ($type === null || $field === null || $gone === null) {
            return;
        }
        $scope = "source:$source->id";
        $here = DB::table('seen_rows')
            ->where('scope', $scope)
            ->where('import_id', $import->id)
            ->whereNotNull('record_id')
            ->select('record_id');
        $ids = DB::table('seen_rows')
            ->where('scope', $scope)
            ->where('import_id', '<', $import->id)
            ->whereNotNull('record_id')
            ->whereNotIn('record_id', $here)
            ->distinct()
            ->pluck('record_id');
        foreach (
            $ids->chunk(200)->flatMap(fn ($some) => Record::query()->whereKey($some->all())->with('type')->orderBy('id')->get()) as $record
        ) {
            $start = $type->start_field === null ? null : $record->values[$type->start_field] ?? null;
            // What has begun already is not undone by leaving the list.
            if (is_string($start) && new \DateTimeImmutable($start, new \DateTimeZone(Business::ours()->zone)) < $this->clock->now()) {
                continue;
            }
            try {
                $this->writer->edit($record, [$field->key => $gone['value']], ChangeOrigin::import($import));
            } catch (Refused $e) {
                $source->update(['problem' => $e->reason()->toArray()]);
            }
        }
    }
}
