<?php

declare(strict_types=1);

namespace Demo;

use App\Models\ScheduledText;
use App\Models\Timer;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** Moves the demo's clock on: a minute, an hour, or to the next thing that happens. */
final class ClockController
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
            // What is due already is in the worker's hands: going to it would leave the clock where it is.
            default => min(array_filter([
                Timer::query()->where('due_at', '>', $now)->orderBy('due_at')->first()?->due_at,
                ScheduledText::query()->where('leaves_at', '>', $now)->orderBy('leaves_at')->first()?->leaves_at,
            ]) ?: [null]),
        };
        if ($to !== null) {
            $clock->moveTo($to);
        }

        return back()->with('done', $to === null ? 'Nothing waits for a later moment, so the clock stayed where it was.' : null);
    }
}
