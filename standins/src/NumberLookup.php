<?php

declare(strict_types=1);

namespace Standins;

use Demo\People;
use Illuminate\Support\Facades\DB;

/** Says what sort of line a number reaches and whether anybody has it. */
final class NumberLookup
{
    /** @return array{int, array<string, string|bool>} HTTP status and answer */
    public static function of(string $number): array
    {
        if (Manner::Slow->isOn()) {
            sleep(2);
        }
        if (Manner::Error->isOn() && DB::table('first_tries')->insertOrIgnore(['key' => "lookup:$number"]) === 1) {
            return [503, ['problem' => 'busy']];
        }
        $handset = People::of($number)['handset'] ?? 'mobile';

        return [200, ['number' => $number, 'line' => $handset === 'landline' ? 'landline' : 'mobile', 'in_use' => $handset !== 'dead']];
    }
}
