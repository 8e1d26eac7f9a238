<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What somebody decides about journeys that are under way: that they end here, or wait no longer. */
final class DecideRunsController
{
    public function __invoke(Request $request, Rule $rule, Runner $runner): RedirectResponse
    {
        $said = $request->validate(['do' => 'required|in:stop,hurry', 'ticked' => 'required|array|max:100', 'ticked.*' => 'string|max:80'], ['ticked.required' => 'Tick those that it is to be done to.']);
        $staff = Staff::asking($request)->name;
        /** @var array<int, string> $ticked where each stood, by its id */
        $ticked = $said['ticked'];
        $live = array_map(intval(...), Run::query()->where('rule_id', $rule->id)->where('live', true)->whereIn('id', array_keys($ticked))->orderBy('id')->pluck('id')->all());
        $done = count(array_filter($live, fn (int $id): bool => $said['do'] === 'stop' ? $runner->stopBy($id, $staff) : $runner->hurry($id, $ticked[$id], $staff)));
        $not = count($ticked) - $done;

        return back()->with('done', $said['do'] === 'stop'
            ? self::many($done, 'was', 'were').' stopped.'.($not > 0 ? ' '.self::many($not, 'had', 'had').' ended already.' : '')
            : self::many($done, 'goes', 'go').' on now.'.($not > 0 ? ' '.self::many($not, 'waits', 'wait').' for nothing that could be hurried, or went on already.' : ''));
    }

    private static function many(int $count, string $one, string $more): string
    {
        return match ($count) {
            0 => "None $more", 1 => "One $one", default => "$count $more",
        };
    }
}
