<?php

declare(strict_types=1);

namespace App\Forecast;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** One at a time works out what lies ahead; another takes over where the first has not been seen for a while. */
final class Lease
{
    private const SECONDS = 60;

    private readonly string $holder;

    public function __construct()
    {
        $this->holder = (string) Str::uuid7();
    }

    /** Takes it, or keeps it; false where somebody else has it. */
    public function take(): bool
    {
        return self::state()
            ->where(fn (Builder $free) => $free
                ->whereNull('leased_by')
                ->orWhere('leased_by', $this->holder)
                ->orWhere('leased_until', '<', gmdate('Y-m-d H:i:s')))
            ->update(['leased_by' => $this->holder, 'leased_until' => gmdate('Y-m-d H:i:s', time() + self::SECONDS)]) > 0;
    }

    /** Asked in the transaction that writes: nobody else takes it until that ends. */
    public function isHeld(): bool
    {
        return self::state()->lockForUpdate()->value('leased_by') === $this->holder;
    }

    public function giveUp(): void
    {
        self::state()->where('leased_by', $this->holder)->update(['leased_by' => null, 'leased_until' => null]);
    }

    private static function state(): Builder
    {
        return DB::table('forecast_states');
    }
}
