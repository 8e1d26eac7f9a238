<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * A text of a trial: to the telephone of whoever tries it, or what they wrote back.
 *
 * @property int $id
 * @property int $trial_id
 * @property string $key what the carrier knows it by
 * @property bool $inbound
 * @property string|null $step
 * @property int $line_id
 * @property string $body
 * @property string|null $picture
 * @property MessageState $state
 * @property string|null $detail why it did not go
 * @property CarbonImmutable $at
 * @property-read Line $line
 */
final class TrialText extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['inbound' => 'boolean', 'state' => MessageState::class, 'at' => 'immutable_datetime'];
    }

    /**
     * What somebody writes from their own number to a line that a trial of theirs texts from is an answer to the trial.
     *
     * @param  string  $key  the same one again changes nothing
     */
    public static function hear(string $key, string $number, int $lineId, string $body, \DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($key, $number, $lineId, $body, $now): bool {
            $trial = Trial::query()->where('number', $number)->whereNull('ended_at')->orderByDesc('id')->lockForUpdate()->first();
            if (
                $trial === null ||
                ! $trial->isOpen($now) ||
                ! $trial->texts()->where('line_id', $lineId)->where('inbound', false)->exists()
            ) {
                return false;
            }
            if (! self::query()->where('key', $key)->exists()) {
                self::query()->create([
                    'trial_id' => $trial->id, 'key' => $key, 'inbound' => true, 'line_id' => $lineId, 'body' => $body,
                    'state' => MessageState::Received, 'at' => $now,
                ]);
                $trial->update(['last_at' => $now]);
            }

            return true;
        });
    }

    /** @return bool false if no such text is known */
    public static function fate(string $key, string $fate, ?string $detail): bool
    {
        $text = self::query()->firstWhere('key', $key);
        $state = ['arrived' => MessageState::Arrived, 'failed' => MessageState::Failed][$fate] ?? null;
        if ($text !== null && $state !== null) {
            $text->update(['state' => $state, 'detail' => $detail]);
        }

        return $text !== null;
    }

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }
}
