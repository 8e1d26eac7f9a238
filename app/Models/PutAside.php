<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Something the engine could not work out: it failed by itself, alone, twice. Kept until somebody has it tried again, or leaves it.
 *
 * @property int $id
 * @property string $kind change, timer, scheduled text, or forecast, whose subject is a person
 * @property int $subject_id
 * @property array<string, mixed>|null $row what a timer or a scheduled text was
 * @property string $detail
 * @property CarbonImmutable $at
 */
final class PutAside extends Model
{
    public const CHANGE = 'change';

    public const TIMER = 'timer';

    /** What lies ahead of somebody. */
    public const FORECAST = 'forecast';

    public const SCHEDULED_TEXT = 'scheduled_text';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['row' => 'array', 'at' => 'immutable_datetime'];
    }

    /** Takes a change, a timer or a scheduled text out of what is to be done, and keeps it. */
    public static function record(string $kind, int $id, string $detail, \DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($kind, $id, $detail, $now): void {
            $row = match ($kind) {
                self::TIMER => (array) DB::table('timers')->where('id', $id)->first(),
                self::SCHEDULED_TEXT => (array) DB::table('scheduled_texts')->where('id', $id)->first(['person_id', 'leaves_at']),
                default => null,
            };
            match ($kind) {
                self::TIMER => DB::table('timers')->where('id', $id)->update(['due_at' => null]),
                self::CHANGE => DB::table('changes')->where('id', $id)->update(['handled' => true]),
                self::SCHEDULED_TEXT => DB::table('scheduled_texts')->where('id', $id)->update(['leaves_at' => null]),
                default => DB::table('coming_texts')->where('about_person_id', $id)->delete(),
            };
            self::query()->upsert(
                [
                    [
                        'kind' => $kind, 'subject_id' => $id, 'row' => $row === null ? null : json_encode($row, JSON_THROW_ON_ERROR),
                        'detail' => $detail, 'at' => $now->format('Y-m-d H:i:s'),
                    ],
                ],
                ['kind', 'subject_id'],
                ['row', 'detail', 'at'],
            );
        });
    }

    /** Done again by the worker, as if it had just come. */
    public function tryAgain(): void
    {
        DB::transaction(function (): void {
            if ($this->kind === self::FORECAST) {
                ForecastMark::leave([$this->subject_id]);
            } elseif ($this->kind === self::SCHEDULED_TEXT) {
                $leaves = $this->row['leaves_at'] ?? $this->at->format('Y-m-d H:i:s');
                DB::table('scheduled_texts')->where('id', $this->subject_id)->update(['leaves_at' => $leaves]);
            } elseif ($this->kind === self::CHANGE) {
                DB::table('changes')->where('id', $this->subject_id)->update(['handled' => false]);
            } else {
                $key = array_intersect_key($this->row ?? [], ['kind' => 1, 'subject_id' => 1, 'rule_id' => 1]);
                DB::table('timers')->upsert(
                    [$key + ['due_at' => $this->row['due_at'] ?? $this->at->format('Y-m-d H:i:s')]],
                    ['kind', 'subject_id', 'rule_id'],
                    ['due_at'],
                );
            }
            $this->delete();
        });
    }

    public function person(): ?Person
    {
        $id = match (true) {
            $this->kind === self::FORECAST => $this->subject_id,
            $this->kind === self::SCHEDULED_TEXT => $this->row['person_id'] ?? null,
            $this->kind === self::CHANGE => DB::table('changes')->where('id', $this->subject_id)->value('person_id'),
            ($this->row['kind'] ?? '') === Timer::RUN => DB::table('runs')
                ->where('id', $this->row['subject_id'] ?? 0)
                ->value('person_id'),
            ($this->row['kind'] ?? '') === Timer::MESSAGE => DB::table('messages')
                ->where('id', $this->row['subject_id'] ?? 0)
                ->value('person_id'),
            ($this->row['kind'] ?? '') === Timer::START_RECORD => DB::table('records')
                ->where('id', $this->row['subject_id'] ?? 0)
                ->value('person_id'),
            ($this->row['kind'] ?? '') === Timer::START_PERSON => $this->row['subject_id'] ?? null,
            default => null,
        };

        return $id === null ? null : Person::query()->with('number')->find((int) $id);
    }
}
