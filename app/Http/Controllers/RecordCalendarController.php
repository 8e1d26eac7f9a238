<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\Day;
use App\Models\Business;
use App\Models\RecordType;
use App\Pages\Records\CalendarPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** Records by the days on which they start. */
final class RecordCalendarController
{
    public function __invoke(Request $request, RecordType $type, ClockInterface $clock): View|RedirectResponse
    {
        $asked = $request->validate([
            'day' => 'nullable|date_format:Y-m-d', 'show' => 'nullable|in:week,day', 'turn' => 'nullable|integer|between:1,1000',
        ]);
        $start = $type->load('fields')->fields->firstWhere('key', $type->start_field);
        if ($start === null) {
            return redirect()->route('records.index', $type)
                ->with('done', 'A calendar needs a field that says when a record starts. Say which in Settings.');
        }
        $zone = Business::current()->zone;
        $day = is_string($asked['day'] ?? null) ? $asked['day'] : Day::of($clock->now(), $zone)->date;

        return view('records.calendar', [
            'page' => new CalendarPage(
                $type, $start, $day, ($asked['show'] ?? 'week') === 'week', $clock->now(), $zone, (int) ($asked['turn'] ?? 1),
            ),
            'types' => RecordController::all(),
        ]);
    }
}
