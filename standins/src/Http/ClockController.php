<?php

declare(strict_types=1);

namespace Standins\Http;

use Demo\MovableClock;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class ClockController
{
    public function __invoke(Request $request, MovableClock $clock): RedirectResponse
    {
        $by = $request->validate(['by' => 'required|in:2 minutes,1 hour,1 day'])['by'];
        $clock->moveTo($clock->now()->modify("+$by"));

        return back();
    }
}
