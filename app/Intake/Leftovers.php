<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Import;
use App\Models\ImportState;

/** Files of imports that nobody needs any more: whoever was to delete them ended between noting that and doing it. */
final class Leftovers
{
    private const OVER = [ImportState::Done, ImportState::Failed, ImportState::TakenBack];

    /** Younger ones may be on their way in. */
    private const HOURS = 2;

    /** @return int how many went */
    public static function clear(): int
    {
        $gone = 0;
        foreach (glob(storage_path('app/imports/*.*')) ?: [] as $file) {
            if ((int) @filemtime($file) > time() - 3600 * self::HOURS) {
                continue;
            }
            $import = Import::query()->firstWhere('file', strtok(basename($file), '.'));
            // What another database knows is not ours to judge.
            $isOver =
                $import !== null &&
                (str_ends_with($file, '.csv')
                    ? $import->source_id === null && in_array($import->state, self::OVER, true)
                    : $import->state !== ImportState::Reading);
            if ($isOver && @unlink($file)) {
                $gone++;
            }
        }

        return $gone;
    }
}
