<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use App\Models\Sign;
use Illuminate\Support\Facades\DB;

/** How true what lies ahead still is: who has become otherwise since, and for how long. */
final readonly class Freshness
{
    /** What is worked out anew within a minute is said nothing about. */
    private const PATIENCE = 60;

    private function __construct(public bool $isWorkedOut, public int $people, public int $seconds)
    {
    }

    public static function read(): self
    {
        $state = DB::table('forecast_states')->first();
        $oldest = min(array_filter([DB::table('forecast_marks')->min('since'), $state?->cursor_since], is_string(...)) ?: [null]);
        $people = $state?->cursor === null
            ? DB::table('forecast_marks')->count()
            : DB::table('people')->where('id', '>', $state->cursor)->count();

        return new self(
            $state?->day !== null && Sign::of(Sign::FORECAST)?->isThere() === true,
            $people,
            $oldest === null ? 0 : max(0, time() - (int) strtotime("$oldest UTC")),
        );
    }

    public function isBehind(): bool
    {
        return $this->people > 0 && $this->seconds > self::PATIENCE;
    }
}
