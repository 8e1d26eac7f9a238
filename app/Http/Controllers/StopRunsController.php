<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Linnet\Core\Reason;

/** Ends journeys that are under way, because somebody decided so: nothing more of this rule goes to those people in them. */
final class StopRunsController
{
    public function __invoke(Request $request, Rule $rule, Runner $runner): RedirectResponse
    {
        $said = $request->validate(['ticked' => 'required|array|max:100', 'ticked.*' => 'integer'], ['ticked.required' => 'Tick those that are to be stopped.']);
        $live = Run::query()->where('rule_id', $rule->id)->where('live', true)->whereIn('id', $said['ticked'])->orderBy('id')->pluck('id');
        foreach ($live as $id) {
            $runner->stop((int) $id, new Reason('run.stopped', ['staff' => Staff::asking($request)->name]));
        }
        $over = count($said['ticked']) - count($live);

        return back()->with('done', (count($live) === 1 ? 'One was stopped.' : count($live).' were stopped.').($over > 0 ? " $over had ended already." : ''));
    }
}
