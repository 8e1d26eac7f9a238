<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Timer;
use App\Models\Trace;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Time\WeeklyHours;
use Psr\Clock\ClockInterface;

/** What protects people? */
final class SafeguardsController
{
    public function index(ClockInterface $clock): View
    {
        $business = Business::ours();
        $since = $clock->now()->modify('-30 days');

        return view('safeguards.index', [
            'tables' => [
                'opening' => ['name' => 'When we are open', 'why' => 'Rules ask for this: “while we are open”.', 'hours' => $business->openingHours()],
                'service' => ['name' => 'Decent hours for service texts', 'why' => 'By the clock of the person who gets the text. Outside them a text is held until the next one begins.', 'hours' => $business->gatePolicy()->serviceHours],
                'marketing' => ['name' => 'Decent hours for marketing texts', 'why' => 'The same, for texts that need the person’s agreement.', 'hours' => $business->gatePolicy()->marketingHours],
            ],
            'days' => ['mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday', 'sat' => 'Saturday', 'sun' => 'Sunday'],
            'held' => Trace::query()->where('code', 'gate.outside_hours')->where('at', '>=', $since)->count(),
            'stopped' => Trace::query()->whereIn('code', ['gate.opted_out', 'start.opted_out', 'stop.opted_out'])->where('at', '>=', $since)->count(),
            'same' => Trace::query()->where('code', 'gate.same_text')->where('at', '>=', $since)->count(),
            'optOuts' => Message::query()->where('origin', MessageOrigin::Them)->where('meaning', 'opt_out')->where('at', '>=', $since)->count(),
            'words' => $business->words,
        ]);
    }

    public function update(Request $request, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(['table' => 'required|in:opening,service,marketing', 'week' => 'required|array', 'closed' => 'nullable|string|max:4000']);
        $business = Business::ours();
        $known = $said['table'] === 'opening' ? $business->opening_hours : $business->policy['decent_hours'][$said['table']];
        $document = ['week' => [], 'closed' => array_values(array_filter(preg_split('/[\s,;]+/', (string) ($said['closed'] ?? '')) ?: []))];
        foreach (WeeklyHours::DAYS as $day) {
            [$from, $to] = [$said['week'][$day]['from'] ?? '', $said['week'][$day]['to'] ?? ''];
            // Only the first stretch of a day is changed here; further ones stay.
            $document['week'][$day] = $from === '' && $to === '' ? [] : [[$from, $to], ...array_slice($known['week'][$day] ?? [], 1)];
        }
        try {
            $hours = WeeklyHours::read(Doc::of($document))->toDocument();
        } catch (Unreadable $e) {
            $messages = [];
            foreach ($e->problems as $problem) {
                $place = preg_match('/^\$\.week\.(\w+)/', $problem->path, $found) === 1 ? "{$said['table']}-{$found[1]}" : "{$said['table']}-closed";
                $messages[$place] = Sentence::of($problem->reason);
            }

            throw ValidationException::withMessages($messages);
        }
        $said['table'] === 'opening'
            ? $business->update(['opening_hours' => $hours])
            : $business->update(['policy' => array_replace_recursive($business->policy, ['decent_hours' => [$said['table'] => null]], ['decent_hours' => [$said['table'] => $hours]])]);

        Timer::query()->where('kind', Timer::MESSAGE)->whereNotNull('due_at')->update(['due_at' => $clock->now()]);

        return redirect()->route('safeguards.index')->with('done', 'The hours are changed. What is held is looked at again now.');
    }
}
