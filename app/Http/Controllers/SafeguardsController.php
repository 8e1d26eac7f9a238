<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Store\DatabaseSideEffects;
use App\Models\Business;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Person;
use App\Models\Timer;
use App\Models\Trace;
use App\Pages\HoursForm;
use App\Pages\Safeguards\BudgetDrawing;
use App\Pages\Safeguards\CapDrawing;
use App\Pages\Safeguards\Did;
use App\Pages\Safeguards\Effect;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
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
            'did' => array_map(
                fn (Did $did): array => [$did, Trace::query()->whereIn('code', $did->codes())->where('at', '>=', $since)->count()],
                Did::cases(),
            ),
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
        ]);
    }

    public function update(Request $request, ClockInterface $clock): RedirectResponse
    {
        Business::current()->update(self::hours($request, Business::current()));
        Timer::askAgain($clock->now());

        return redirect()->route('safeguards.index')->with('done', 'The hours are changed. What is held is looked at again now.');
    }

    /** What people had against what is enough, and what it cost against the budget: counted while the page is read. */
    public function drawn(ClockInterface $clock): View
    {
        $business = Business::current();
        $policy = $business->gatePolicy();

        return view('safeguards.drawn', [
            'cap' => new CapDrawing($clock->now(), $policy->cap->perWeek),
            'budget' => new BudgetDrawing($clock->now(), $business->zone, $policy->monthMicros, $business->currency()),
        ]);
    }

    /** What a safeguard held or dropped. */
    public function did(Did $did, ClockInterface $clock): View
    {
        $traces = Trace::query()->with('rule')->whereIn('code', $did->codes())->where('at', '>=', $clock->now()->modify('-30 days'))
            ->orderByDesc('at')->orderByDesc('id')->simplePaginate(50);

        return view('safeguards.did', [
            'did' => $did, 'traces' => $traces,
            'people' => Person::query()->with('number')->whereKey($traces->getCollection()->pluck('person_id')->filter()->all())->get()
                ->keyBy('id'),
        ]);
    }

    /** What a change that is not kept yet would do to what is coming. */
    public function effect(Request $request, string $which, ClockInterface $clock, DatabaseSideEffects $sideEffects): View
    {
        $changed = clone Business::current();
        try {
            $changed->fill(
                $which === 'hours' ? self::hours($request, $changed) : ['policy' => LimitsController::policy($request, $changed)],
            );
        } catch (ValidationException $e) {
            return view('safeguards.effect', ['wrong' => $e->getMessage()]);
        }

        return view('safeguards.effect', [
            'effect' => Effect::of($changed, $clock->now(), $sideEffects), 'business' => Business::current(), 'wrong' => null,
        ]);
    }

    /**
     * The hours that were written, where the business keeps them.
     *
     * @return array<string, mixed>
     */
    private static function hours(Request $request, Business $business): array
    {
        $said = $request->validate(['table' => 'required|in:opening,service,marketing'] + HoursForm::RULES);
        $known = $said['table'] === 'opening' ? $business->opening_hours : $business->policy['decent_hours'][$said['table']];
        $hours = HoursForm::read($said, $known, $said['table']);

        return $said['table'] === 'opening' ? ['opening_hours' => $hours] : ['policy' => array_replace_recursive(
            $business->policy,
            ['decent_hours' => [$said['table'] => null]],
            ['decent_hours' => [$said['table'] => $hours]],
        )];
    }
}
