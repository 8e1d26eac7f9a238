<?php

declare(strict_types=1);

namespace App\Setup;

use App\Counts\AccountOffsets;
use App\Counts\CountryCounts;
use App\Counts\MessageCounts;
use App\Engine\Runner;
use App\Models\Business;
use Illuminate\Support\Facades\DB;

/** The business goes by the clock of another zone: its days are counted anew, and what was reckoned by its clock is reckoned anew. */
final readonly class MoveClock
{
    public function __construct(private Runner $runner)
    {
    }

    public function to(Business $business, string $zone): void
    {
        DB::transaction(function () use ($business, $zone): void {
            $business->update(['zone' => $zone]);
            AccountOffsets::fill($zone);
            MessageCounts::recount();
            CountryCounts::recount();
        });
        $this->runner->reckonAnew();
    }
}
