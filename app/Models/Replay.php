<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Deliveries of a source that are being taken again, in their order.
 *
 * @property int $id
 * @property int $source_id
 * @property string $state running or done
 * @property DeliveryState|null $only
 * @property int $next_id
 * @property int $last_id
 * @property int $total
 * @property int $done
 * @property int $refused
 * @property CarbonImmutable $at
 * @property-read Source $source
 */
final class Replay extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['only' => DeliveryState::class, 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Source, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(Source::class);
    }

    /** Null where there is nothing to take again. */
    public static function begin(Source $source, ?DeliveryState $only, ?\DateTimeImmutable $since, \DateTimeImmutable $now): ?self
    {
        // What does not show where it comes from is taken again only by being picked.
        $query = Delivery::query()->where('source_id', $source->id)->where('unproven', false);
        if ($only !== null) {
            $query->where('state', $only);
        }
        if ($since !== null) {
            $query->where('at', '>=', $since->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'));
        }
        $total = $query->count();

        return $total === 0
            ? null
            : self::query()->create([
                'source_id' => $source->id, 'state' => 'running', 'only' => $only, 'next_id' => (int) $query->min('id'),
                'last_id' => (int) $query->max('id'), 'total' => $total, 'at' => $now,
            ]);
    }
}
