<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * When to look again at a run or at a text that is held.
 *
 * @property int $id
 * @property string $kind
 * @property int $subject_id
 * @property CarbonImmutable|null $due_at null: somebody has to act first
 */
final class Timer extends Model
{
    public const RUN = 'run';

    public const MESSAGE = 'message';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['due_at' => 'immutable_datetime'];
    }

    public static function put(string $kind, int $subject, ?\DateTimeImmutable $due): void
    {
        self::query()->upsert(
            [['kind' => $kind, 'subject_id' => $subject, 'due_at' => $due?->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s')]],
            ['kind', 'subject_id'],
            ['due_at'],
        );
    }

    public static function clear(string $kind, int $subject): void
    {
        self::query()->where('kind', $kind)->where('subject_id', $subject)->delete();
    }

    /**
     * @param  Builder<self>  $query
     */
    public function scopeDue(Builder $query, \DateTimeImmutable $now): void
    {
        $query->where('due_at', '<=', $now->format('Y-m-d H:i:s'))->orderBy('due_at')->orderBy('id');
    }
}
