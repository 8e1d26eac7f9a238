<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * A carrier that does not answer, for as long as it does not.
 *
 * @property int $id
 * @property string $carrier
 * @property CarbonImmutable $since
 * @property int $tries
 * @property CarbonImmutable $next_at when it is asked again
 * @property string|null $detail the last that was seen of it
 */
final class Outage extends Model
{
    /** Asked again after 2, 4, 8 … seconds, so often at least. */
    private const LONGEST_PAUSE = 60;

    /** What is over with the next try, or within these seconds, is no outage yet. */
    private const WORTH_SAYING = 3;

    private const WORTH_SECONDS = 60;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['since' => 'immutable_datetime', 'next_at' => 'immutable_datetime'];
    }

    public static function of(string $carrier): ?self
    {
        return self::query()->firstWhere('carrier', $carrier);
    }

    /** One that is worth telling somebody: it lasts, and something waits for it. */
    public static function toSay(\DateTimeImmutable $now): ?self
    {
        $outage = self::query()
            ->where(
                fn ($lasts) => $lasts
                    ->where('tries', '>=', self::WORTH_SAYING)
                    ->orWhere('since', '<=', $now->modify('-'.self::WORTH_SECONDS.' seconds')),
            )
            ->first();

        return $outage !== null && $outage->waiting() > 0 ? $outage : null;
    }

    public static function goesOn(string $carrier, string $detail, \DateTimeImmutable $now): void
    {
        $outage = self::of($carrier) ?? new self(['carrier' => $carrier, 'since' => $now, 'tries' => 0]);
        $tries = $outage->tries + 1;
        $pause = min(self::LONGEST_PAUSE, 2 ** min($tries, 6));
        $outage
            ->fill([
                'tries' => $tries,
                'detail' => $detail,
                'next_at' => $now->modify('+'.($pause + (crc32("outage $tries") % max(1, intdiv($pause, 2)))).' seconds'),
            ])
            ->save();
    }

    /** @return int how many texts wait for it */
    public function waiting(): int
    {
        return Message::query()
            ->where('state', MessageState::Ready)
            ->whereIn('line_id', Line::query()->where('carrier', $this->carrier)->select('id'))
            ->count();
    }
}
