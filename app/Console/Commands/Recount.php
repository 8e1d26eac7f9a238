<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Counts\AccountOffsets;
use App\Counts\CountryCounts;
use App\Counts\MessageCounts;
use App\Models\Business;
use Illuminate\Console\Command;

/** Compares the counts of texts with the texts, and mends them. */
final class Recount extends Command
{
    protected $signature = 'linnet:recount {--check : Only say whether they differ}';

    protected $description = 'Compare the counts of texts with the texts themselves, and count anew where they differ';

    public function handle(): int
    {
        $zone = Business::ours()->zone;
        $isZone = AccountOffsets::isFor($zone);
        $differ = $isZone ? count(MessageCounts::differences()) + count(CountryCounts::differences()) : 1;
        if ($differ === 0) {
            $this->line('Every count is right.');

            return self::SUCCESS;
        }
        $this->line($isZone ? "$differ counts differ from the texts." : 'The counts are by the clock of another zone.');
        if ($this->option('check')) {
            return self::FAILURE;
        }
        $isZone || AccountOffsets::fill($zone);
        MessageCounts::recount();
        CountryCounts::recount();
        $this->line('Counted anew.');

        return self::SUCCESS;
    }
}
