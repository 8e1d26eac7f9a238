<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Rule;
use App\Models\Run;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Linnet\Core\Reason;

/** What becomes of those under way at a step that the new version no longer has. */
final class StuckRunsController
{
    public function __invoke(Request $request, Rule $rule, Runner $runner): RedirectResponse
    {
        $end = $request->validate(['do' => 'required|in:finish,end'])['do'] === 'end';
        $stuck = Run::query()->where('rule_id', $rule->id)->whereRaw('stuck');
        foreach ($end ? $stuck->clone()->orderBy('id')->pluck('id') : [] as $id) {
            $runner->stop((int) $id, new Reason('run.step_gone'), 'step_gone');
        }
        $stuck->update(['stuck' => false]);

        return back()->with('done', $end ? 'They have ended.' : 'They finish by the old words.');
    }
}
