<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\CalendarOf;
use App\Models\Calendar;
use App\Models\RecordType;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Psr\Clock\ClockInterface;

/** Records as calendars that others subscribe to. */
final class CalendarController
{
    public function store(Request $request, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(
            ['name' => 'required|string|max:60', 'type' => 'required|string'],
            ['name.required' => 'Give the calendar a name.'],
        );
        $type =
            RecordType::query()->where('key', $said['type'])->whereNotNull('start_field')->first() ??
            throw ValidationException::withMessages(['type' => 'Records without a beginning cannot stand in a calendar.']);
        $secret = bin2hex(random_bytes(20));
        Calendar::query()->create([
            'record_type_id' => $type->id, 'name' => $said['name'], 'secret_hash' => hash('sha256', $secret), 'at' => $clock->now(),
        ]);

        return redirect()->route('settings.index')->with('calendar', route('calendar', $secret));
    }

    public function destroy(Calendar $calendar): RedirectResponse
    {
        $calendar->delete();

        return redirect()->route('settings.index')->with('done', 'Its address leads nowhere from now on.');
    }

    public function show(string $secret, ClockInterface $clock): Response
    {
        $calendar = Calendar::query()->where('secret_hash', hash('sha256', $secret))->with('type.fields')->first() ?? abort(404);
        if ($calendar->fetched_at === null || $calendar->fetched_at < $clock->now()->modify('-1 hour')) {
            $calendar->update(['fetched_at' => $clock->now()]);
        }

        return new Response(CalendarOf::records($calendar, $clock->now()), 200, [
            'Content-Type' => 'text/calendar; charset=UTF-8',
            'Content-Disposition' => 'inline; filename="calendar.ics"',
            'Cache-Control' => 'private, max-age=300',
        ]);
    }
}
