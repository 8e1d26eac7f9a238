<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\Trouble;
use Carbon\CarbonImmutable;

/**
 * When a worker was last seen at work, by the machine's own clock.
 *
 * @property int $id
 * @property string $worker
 * @property CarbonImmutable $at
 * @property string|null $problem what its last round failed by
 */
final class Sign extends Model
{
    public const ENGINE = 'engine';

    public const HAND_OVER = 'hand_over';

    public const INTAKE = 'intake';

    /** Mail, look-ups, posts to other systems. */
    public const OUTSIDE = 'outside';

    /** What lies ahead is worked out. */
    public const FORECAST = 'forecast';

    /** Rules are rehearsed over past days. */
    public const REHEARSALS = 'rehearsals';

    /** A worker says so often that it is there. */
    private const EVERY_SECONDS = 5;

    /** One that has not been seen for so long is not there. */
    private const GONE_SECONDS = 60;

    /** @var array<string, int> when each was last written by this process */
    private static array $left = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }

    public static function leave(string $worker, ?\Throwable $problem = null): void
    {
        if ($problem === null && (self::$left[$worker] ?? 0) + self::EVERY_SECONDS > time()) {
            return;
        }
        self::$left[$worker] = time();
        self::query()->upsert(
            [
                [
                    'worker' => $worker,
                    'at' => gmdate('Y-m-d H:i:s'),
                    'problem' => $problem === null ? null : Trouble::says($problem, 250),
                ],
            ],
            ['worker'],
            ['at', 'problem'],
        );
    }

    public static function of(string $worker): ?self
    {
        return self::query()->firstWhere('worker', $worker);
    }

    public function isThere(): bool
    {
        return $this->at->getTimestamp() + self::GONE_SECONDS > time();
    }
}
