<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Timer;
use App\Models\Trace;
use App\Pages\HoursForm;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/** What protects people? */
final class SafeguardsController
{
    public function index(ClockInterface $clock): View
    {
        $business = Business::current();
        $since = $clock->now()->modify('-30 days');

        return view('safeguards.index', [
            'tables' => [
                'opening' => [
                    'name' => 'When we are open',
                    'why' => 'Rules ask for this: “while we are open”.',
                    'hours' => $business->openingHours(),
                ],
                'service' => [
                    'name' => 'Decent hours for service texts',
                    'why' => 'By the clock of the person who gets the text. Outside them a text is held until the next one begins.',
                    'hours' => $business->gatePolicy()->serviceHours,
                ],
                'marketing' => [
                    'name' => 'Decent hours for marketing texts',
                    'why' => 'The same, for texts that need the person’s agreement.',
                    'hours' => $business->gatePolicy()->marketingHours,
                ],
            ],
            'held' => Trace::query()->where('code', 'gate.outside_hours')->where('at', '>=', $since)->count(),
            'stopped' => Trace::query()
                ->whereIn('code', ['gate.opted_out', 'start.opted_out', 'stop.opted_out'])
                ->where('at', '>=', $since)
                ->count(),
            'same' => Trace::query()
                ->whereIn('code', ['gate.same_text', 'gate.same_text_held'])
                ->where('at', '>=', $since)
                ->count(),
            'optOuts' => Message::query()
                ->where('origin', MessageOrigin::Them)
                ->where('meaning', 'opt_out')
                ->where('at', '>=', $since)
                ->count(),
            'words' => $business->words,
            'policy' => $business->gatePolicy(),
            'currency' => $business->currency(),
            'holidays' => $business->holidays,
            'leapToMarch' => $business->leap_to_march,
            'capped' => Trace::query()->where('code', 'gate.capped')->where('at', '>=', $since)->count(),
            'overBudget' => Trace::query()->where('code', 'gate.budget_spent')->where('at', '>=', $since)->count(),
            'spent' => $this->spent($business, $clock->now()),
        ]);
    }

    public function update(Request $request, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(['table' => 'required|in:opening,service,marketing'] + HoursForm::RULES);
        $business = Business::current();
        $known = $said['table'] === 'opening' ? $business->opening_hours : $business->policy['decent_hours'][$said['table']];
        $hours = HoursForm::read($said, $known, $said['table']);
        $said['table'] === 'opening'
            ? $business->update(['opening_hours' => $hours])
            : $business->update([
                'policy' => array_replace_recursive(
                    $business->policy,
                    ['decent_hours' => [$said['table'] => null]],
                    ['decent_hours' => [$said['table'] => $hours]],
                ),
            ]);

        Timer::askAgain($clock->now());

        return redirect()->route('safeguards.index')->with('done', 'The hours are changed. What is held is looked at again now.');
    }

    /** What automatic texts have cost since the month began, in millionths. */
    private function spent(Business $business, \DateTimeImmutable $now): int
    {
        return (int) DB::table('spent_days')
            ->where('day', '>=', $now->setTimezone(new \DateTimeZone($business->zone))->format('Y-m-01'))
            ->sum('micros');
    }
}
