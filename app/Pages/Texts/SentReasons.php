<?php

declare(strict_types=1);

namespace App\Pages\Texts;

use App\Database\DistinctValues;
use App\Sentences\ShortReason;

/** The reasons that texts of ours have, each by a few words. */
final class SentReasons
{
    /** @return array<string, string> by code */
    public static function all(): array
    {
        $reasons = [];
        foreach (DistinctValues::of('messages', 'reason_code', []) as $code) {
            $reasons[$code] = ShortReason::of($code);
        }
        asort($reasons);

        return $reasons;
    }
}
