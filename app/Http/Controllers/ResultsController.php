<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Pages\Results\MonthPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** What did texting cost, and what did it bring? All rules, month by month. */
final class ResultsController
{
    public function __invoke(Request $request, ClockInterface $clock): View
    {
        $asked = $request->validate(['month' => 'nullable|date_format:Y-m']);

        return view('results.month', ['page' => new MonthPage($clock->now(), $asked['month'] ?? '')]);
    }
}
