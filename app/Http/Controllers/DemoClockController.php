<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Timer;
use Demo\MovableClock;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** Moves the demo's clock on: a minute, an hour, or to the next thing that happens. */
final class DemoClockController
{
    public function __invoke(Request $request, ClockInterface $clock): RedirectResponse
    {
        if (! $clock instanceof MovableClock) {
            abort(404);
        }
        $now = $clock->now();
        $to = match ($request->validate(['by' => 'required|in:minute,hour,next'])['by']) {
            'minute' => $now->modify('+1 minute'),
            'hour' => $now->modify('+1 hour'),
            default => Timer::query()->whereNotNull('due_at')->orderBy('due_at')->first()?->due_at,
        };
        if ($to !== null && $to > $now) {
            $clock->moveTo($to);
        }

        return back()->with('done', $to === null ? 'Nothing is waiting, so the clock stayed where it was.' : null);
    }
}
