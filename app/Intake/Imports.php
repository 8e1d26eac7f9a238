<?php

declare(strict_types=1);

namespace App\Intake;

use App\Database\Trouble;
use App\Models\Business;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Source;
use App\Models\Staff;
use App\Tables\Files;
use App\Tables\TableReader;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\LeftOut;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** Takes files in, some hundred rows in each transaction: whatever stops it, it goes on from just there. */
final readonly class Imports
{
    public const CHUNK = 500;

    private const TRIES = 2;

    /** A file up to this size is read while one waits: a second at most. */
    private const AT_ONCE_BYTES = 500_000;

    public function __construct(private ClockInterface $clock, private RecordWriter $writer)
    {
    }

    /** Begins with a file that is read at once; what is wrong with it is kept with it. */
    public function open(string $path, string $name, ?Staff $staff, ?Source $source): Import
    {
        $import = $this->begin($name, $staff, $source);
        $this->read($import, $path);

        return $import;
    }

    /** Takes in a file that somebody sends, to be records of a type. A large one is read by the worker, so that nobody waits for it. */
    public function receive(string $path, string $name, Staff $staff, string $type, ?Import $like): Import
    {
        $import = $this->begin($name, $staff, null);
        $import->update(['mapping' => $like->mapping ?? FirstMapping::none($type, Business::ours())->toDocument()]);
        if ((int) filesize($path) > self::AT_ONCE_BYTES) {
            // Copied beside and renamed: the worker must not find half of it.
            copy($path, $import->raw().'.part');
            rename($import->raw().'.part', $import->raw());
        } else {
            $this->read($import, $path);
        }

        return $import;
    }

    /** The next file that was put by to be read. */
    public function unread(): ?Import
    {
        foreach (Import::query()->where('state', ImportState::Reading)->orderBy('id')->limit(100)->get() as $one) {
            if (is_file($one->raw())) {
                return $one;
            }
            if ($one->at < $this->clock->now()->modify('-10 minutes')) {
                // It was cut off while it came in.
                $one->update(['state' => ImportState::Failed, 'problem' => (new Reason('intake.cut_off'))->toArray()]);
            }
        }

        return null;
    }

    public function readSent(Import $import): void
    {
        // Counted first: one that ends whoever reads it is not read for ever.
        $import->update(['tries' => $import->tries + 1]);
        if ($import->tries > self::TRIES) {
            $import->update(['state' => ImportState::Failed, 'problem' => (new Reason('intake.ends_reader'))->toArray()]);
        } else {
            $this->read($import, $import->raw());
        }
        @unlink($import->raw());
    }

    private function begin(string $name, ?Staff $staff, ?Source $source): Import
    {
        $import = Import::query()->create([
            'source_id' => $source?->id, 'staff_id' => $staff?->id, 'name' => mb_substr($name, 0, 190, 'UTF-8'),
            'file' => (string) Str::uuid7(), 'state' => ImportState::Reading, 'at' => $this->clock->now(),
        ]);
        if (! is_dir(dirname($import->table()))) {
            mkdir(dirname($import->table()), 0o700, true);
        }

        return $import;
    }

    /** Makes a file into a table, and puts plain columns where they belong unless that is said already. */
    private function read(Import $import, string $path): void
    {
        try {
            $table = Files::read($path, $import->table(), $this->clock->now(), new \DateTimeZone(Business::ours()->zone));
            $import->update(
                $table->rows === 0
                    ? ['state' => ImportState::Failed, 'problem' => (new Reason('intake.no_rows'))->toArray(), 'columns' => $table->columns]
                    : [
                        'state' => ImportState::ToMap, 'columns' => $table->columns, 'rows' => $table->rows,
                        'problem' => $table->note?->toArray(),
                    ],
            );
            $mapping = $import->readMapping();
            if ($mapping !== null && $mapping->taken === []) {
                $import->update(['mapping' => FirstMapping::of($import, $mapping->type, Business::ours())->toDocument()]);
            }
        } catch (Refused $e) {
            $import->update(['state' => ImportState::Failed, 'problem' => $e->reason()->toArray()]);
        } catch (\Throwable $e) {
            if (Trouble::passes($e)) {
                throw $e;
            }
            // Damaged in a way that nobody has thought of: one file's trouble.
            report($e);
            $import->update(['state' => ImportState::Failed, 'problem' => self::damaged($e)->toArray()]);
        }
    }

    public static function damaged(\Throwable $e): Reason
    {
        return new Reason('intake.damaged', ['detail' => Trouble::says($e, 160)]);
    }

    public function start(Import $import, bool $silent): void
    {
        $import->update(['state' => ImportState::Running, 'silent' => $silent, 'began_at' => $import->began_at ?? $this->clock->now()]);
    }

    /** @return int how many rows were dealt with; 0 when nothing is left to do */
    public function chunk(int $id): int
    {
        $began = hrtime(true);

        return DB::transaction(function () use ($id, $began): int {
            $import = Import::query()->lockForUpdate()->with('source')->find($id);
            if ($import === null || $import->state !== ImportState::Running) {
                return 0;
            }
            $rows = [];
            foreach (TableReader::from($import, $import->offset) as $row) {
                $rows[] = $row;
                if (count($rows) >= self::CHUNK) {
                    break;
                }
            }
            $counts = $rows === [] ? [] : $this->importRows($import, $rows);
            foreach ($counts as $name => $many) {
                $import->setAttribute($name, $import->getAttribute($name) + $many);
            }
            $import->done += count($rows);
            $import->offset = $rows === [] ? $import->offset : $rows[count($rows) - 1]['offset'];
            $import->worked_ms += intdiv(hrtime(true) - $began, 1_000_000);
            if (count($rows) < self::CHUNK) {
                $import->fill(['state' => ImportState::Done, 'ended_at' => $this->clock->now()]);
            }
            $import->save();

            return count($rows);
        });
    }

    /**
     * @param  non-empty-list<array{cells: list<string>, offset: int}>  $rows
     * @return array<string, int>
     */
    private function importRows(Import $import, array $rows): array
    {
        $mapping = $import->readMapping() ?? throw new \LogicException('not mapped');
        $targets = Deliveries::targets($mapping);
        $columns = $import->columns ?? [];
        $scope = $import->source_id === null ? "import:$import->id" : "source:$import->source_id";
        $prints = array_map(fn (array $row): string => hash('xxh128', json_encode($row['cells'], JSON_THROW_ON_ERROR)), $rows);
        $known = DB::table('seen_rows')->where('scope', $scope)->whereIn('fingerprint', $prints)->pluck('id', 'fingerprint')->all();
        $counts = ['added' => 0, 'changed' => 0, 'same' => 0, 'refused' => 0, 'left_out' => 0];
        /** @var array<int, Cleaned> $cleaned */
        $cleaned = [];
        $refused = [];
        $seen = [];
        foreach ($rows as $i => $row) {
            if (isset($known[$prints[$i]]) || array_key_exists($prints[$i], $seen)) {
                $counts['same']++;

                continue;
            }
            $seen[$prints[$i]] = null;
            try {
                if (count(array_filter(array_slice($row['cells'], count($columns)), fn (string $cell): bool => trim($cell) !== '')) > 0) {
                    throw Refused::because('more_cells', ['cells' => count($row['cells']), 'columns' => count($columns)]);
                }
                $one = $mapping->clean(TableReader::tree($columns, $row['cells']), $targets);
                if ($one instanceof LeftOut) {
                    $counts['left_out']++;
                } else {
                    $cleaned[$i] = $one;
                }
            } catch (Refused $e) {
                $refused[$i] = $e->reason();
            }
        }
        foreach ($cleaned === [] ? [] : $this->writer->upsertMany($cleaned, ChangeOrigin::import($import)) as $i => $written) {
            if ($written instanceof Refused) {
                $refused[$i] = $written->reason();
            } else {
                $counts[match ($written->outcome) {
                    IntakeResult::Added => 'added', IntakeResult::Changed => 'changed', default => 'same'
                }]++;
                $seen[$prints[$i]] = $written->recordId;
            }
        }
        $counts['refused'] = count($refused);
        ksort($refused);
        $this->remember($import, $scope, $seen, array_values($known));
        foreach (
            array_chunk(
                array_map(
                    fn (Reason $reason, int $i): array => [
                        'import_id' => $import->id, 'row' => $import->done + $i + 2,
                        'cells' => json_encode($rows[$i]['cells'], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                        'reason' => json_encode($reason->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                    ],
                    $refused,
                    array_keys($refused),
                ),
                200,
            ) as $chunk
        ) {
            DB::table('refused_rows')->insert($chunk);
        }

        return $counts;
    }

    /**
     * @param  array<string, int|null>  $seen  record ids by fingerprint
     * @param  list<int>  $again  ids of those seen before
     */
    private function remember(Import $import, string $scope, array $seen, array $again): void
    {
        $rows = [];
        foreach ($seen as $print => $recordId) {
            $rows[] = ['scope' => $scope, 'fingerprint' => (string) $print, 'record_id' => $recordId, 'import_id' => $import->id];
        }
        foreach (array_chunk($rows, 250) as $chunk) {
            DB::table('seen_rows')->insert($chunk);
        }
        if ($again !== [] && $import->source_id !== null) {
            DB::table('seen_rows')->whereIn('id', $again)->update(['import_id' => $import->id]);
        }
    }
}
