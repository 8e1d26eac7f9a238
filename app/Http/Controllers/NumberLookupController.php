<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Carrier\NumberLookup;
use App\Models\Number;
use App\Models\Trace;
use App\Sentences\Sentence;
use Illuminate\Http\RedirectResponse;
use Psr\Clock\ClockInterface;

/** Finds out whether a number can get texts at all. */
final class NumberLookupController
{
    public function __invoke(Number $number, NumberLookup $lookup, ClockInterface $clock): RedirectResponse
    {
        abort_unless($lookup->isThere(), 404);
        $found = $lookup->lookUp($number, $clock->now());
        Trace::note($found, $clock->now(), ['person_id' => $number->person_id]);

        return back()->with('done', Sentence::of($found));
    }
}
