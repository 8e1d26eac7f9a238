<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\Day;
use App\Models\Business;
use App\Models\Rehearsal;
use App\Models\RehearsalSide;
use App\Models\RehearsalState;
use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Rehearsals\PaperRunPage;
use App\Pages\Rehearsals\RehearsalPage;
use App\Pages\Rehearsals\RowsPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** What would a rule have done? Asked for, watched, stopped, and looked through. */
final class RehearsalController
{
    /** So many of a rule are kept. */
    private const KEPT = 12;

    private const LONGEST = 366;

    public function show(Rule $rule, ClockInterface $clock, ?Rehearsal $rehearsal = null): View
    {
        abort_if($rehearsal !== null && $rehearsal->rule_id !== $rule->id, 404);

        return view('rehearsals.show', [
            'page' => new RehearsalPage($rule, $rehearsal ?? RehearsalPage::latest($rule), $clock->now()),
        ]);
    }

    public function store(Request $request, Rule $rule, ClockInterface $clock): RedirectResponse
    {
        $asked = $request->validate(['days' => 'required|integer|min:1|max:'.self::LONGEST], [
            'days' => 'Say a number of days from 1 to '.self::LONGEST.'.',
        ]);
        $now = $clock->now();
        $zone = Business::current()->zone;
        $days = (int) $asked['days'];
        $noon = $now->setTimezone(new \DateTimeZone($zone))->setTime(12, 0)->modify('-'.($days - 1).' days');
        $isChanged = $rule->draft !== null && $rule->draft != $rule->version?->document;
        $rehearsal = Rehearsal::query()->create([
            'rule_id' => $rule->id, 'rule_version_id' => $rule->version_id, 'staff_id' => Staff::asking($request)->id,
            'document' => $isChanged ? $rule->draft : null, 'days' => $days, 'begins_at' => Day::of($noon, $zone)->begins,
            'ends_at' => $now, 'state' => RehearsalState::Waiting, 'asked_at' => $now,
        ]);
        $old = Rehearsal::query()->where('rule_id', $rule->id)->orderByDesc('id')->skip(self::KEPT)->limit(100)->pluck('id');
        Rehearsal::query()->whereKey($old)->delete();

        return redirect()->route('rules.rehearsal', [$rule, $rehearsal]);
    }

    public function stop(Rule $rule, Rehearsal $rehearsal): RedirectResponse
    {
        abort_if($rehearsal->rule_id !== $rule->id, 404);
        Rehearsal::query()->whereKey($rehearsal->id)->whereIn('state', [RehearsalState::Waiting, RehearsalState::Running])
            ->update(['state' => RehearsalState::Stopped]);

        return redirect()->route('rules.rehearsal', [$rule, $rehearsal]);
    }

    public function rows(Request $request, Rule $rule, Rehearsal $rehearsal): View
    {
        abort_if($rehearsal->rule_id !== $rule->id, 404);

        return view('rehearsals.rows', ['rule' => $rule, 'page' => new RowsPage($rehearsal, $request->validate(RowsPage::RULES))]);
    }

    public function run(Rule $rule, Rehearsal $rehearsal, string $side, int $run): View
    {
        abort_if($rehearsal->rule_id !== $rule->id, 404);
        $side = RehearsalSide::tryFrom($side) ?? abort(404);

        return view('rehearsals.run', ['rule' => $rule, 'side' => $side, 'page' => new PaperRunPage($rehearsal, $side, $run)]);
    }
}
