<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Mapping;

/**
 * A file of rows that is taken in: sent by somebody, or found at a watched address.
 *
 * @property int $id
 * @property int|null $source_id
 * @property int|null $staff_id
 * @property string $name
 * @property string $file what its table is called on disk
 * @property ImportState $state
 * @property array<string, mixed>|null $mapping
 * @property bool $silent rules are not to act on what it changes
 * @property list<string>|null $columns
 * @property int $rows
 * @property int $tries how often it was begun to be read by the worker
 * @property int $done rows dealt with
 * @property int $offset bytes of the table dealt with
 * @property int|null $undone_to the change down to which it is taken back
 * @property int $added
 * @property int $changed
 * @property int $same
 * @property int $refused
 * @property int $left_out
 * @property array{code: string, with: array<string, mixed>}|null $problem
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $began_at
 * @property CarbonImmutable|null $ended_at
 * @property int $worked_ms milliseconds of work so far, for the estimate
 * @property-read Source|null $source
 * @property-read Staff|null $staff
 */
final class Import extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'state' => ImportState::class, 'mapping' => 'array', 'silent' => 'boolean', 'columns' => 'array', 'problem' => 'array',
            'at' => 'immutable_datetime', 'began_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Source, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(Source::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    public function readMapping(): ?Mapping
    {
        return $this->mapping === null ? null : Mapping::read(Doc::of($this->mapping));
    }

    /** Where its table lies: CSV, UTF-8, the names of the columns first. */
    public function table(): string
    {
        return storage_path("app/imports/$this->file.csv");
    }

    /** Where it lies as it was sent, until it is read. */
    public function raw(): string
    {
        return storage_path("app/imports/$this->file.raw");
    }

    /** Seconds it may still take, from how fast it has gone; null while nothing can be said. */
    public function secondsLeft(): ?int
    {
        return $this->done < 1 || $this->worked_ms < 1
            ? null
            : (int) ceil((($this->rows - $this->done) * $this->worked_ms) / $this->done / 1000);
    }
}
