<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Source;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/** Lets deliveries go that are older, or more, than their source keeps: the oldest first, some at a time. What came of them stays. */
final readonly class Pruning
{
    private const PIECE = 200;

    /** Looked for so often. */
    private const EVERY_SECONDS = 600;

    public function __construct(private ClockInterface $clock)
    {
    }

    /** @return int how many went; 0 where all are within their bounds */
    public function piece(): int
    {
        if (! Cache::add('linnet.pruned', true, self::EVERY_SECONDS)) {
            return 0;
        }
        Leftovers::clear();
        $gone = 0;
        foreach (Source::query()->orderBy('id')->lazyById(100) as $source) {
            $gone += $this->prune($source);
        }
        if ($gone > 0) {
            // There may be more.
            Cache::forget('linnet.pruned');
        }

        return $gone;
    }

    public function prune(Source $source): int
    {
        $of = fn (): Builder => DB::table('deliveries')->where('source_id', $source->id);
        $ids = $of()
            ->where(
                'at',
                '<',
                $this->clock
                    ->now()
                    ->modify("-$source->keep_days days")
                    ->format('Y-m-d H:i:s'),
            )
            ->orderBy('id')
            ->limit(self::PIECE)
            ->pluck('id')
            ->all();
        $over = (int) $of()->sum('bytes') - $source->keep_megabytes * 1_000_000;
        foreach ($over > 0 ? $of()->whereNotIn('id', $ids)->orderBy('id')->limit(self::PIECE)->get(['id', 'bytes']) : [] as $delivery) {
            if ($over > 0) {
                $ids[] = (int) $delivery->id;
                $over -= (int) $delivery->bytes;
            }
        }
        // What is shown while its values are put to their places stays.
        $ids = array_values(array_diff($ids, [$source->sample_id]));
        if ($ids !== []) {
            DB::transaction(function () use ($ids): void {
                DB::table('changes')->whereIn('delivery_id', $ids)->update(['delivery_id' => null]);
                DB::table('deliveries')->whereIn('id', $ids)->delete();
            });
        }

        return count($ids);
    }
}
