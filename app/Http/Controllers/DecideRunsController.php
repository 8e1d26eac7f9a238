<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use App\Pages\Rules\RunsPage;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** What somebody decides about journeys that are under way: that they end here, wait no longer, skip a step, or go on at another. */
final class DecideRunsController
{
    public function __invoke(Request $request, Rule $rule, Runner $runner): RedirectResponse
    {
        $said = $request->validate(
            [
                'do' => 'required|in:stop,hurry,skip,move', 'ticked' => 'required|array|max:100', 'ticked.*' => 'string|max:80',
                'step' => 'required_if:do,move|nullable|string|max:60',
            ],
            ['ticked.required' => 'Tick those that it is to be done to.', 'step.required_if' => 'Choose where they go on.'],
        );
        $staff = Staff::asking($request)->name;
        $step = (string) ($said['step'] ?? '');
        $called =
            $said['do'] === 'move'
                ? RunsPage::places($rule)[$step] ?? throw ValidationException::withMessages(['step' => 'Choose where they go on.'])
                : '';
        /** @var array<int, string> $ticked where each stood, by its id */
        $ticked = $said['ticked'];
        $live = array_map(
            intval(...),
            Run::query()
                ->where('rule_id', $rule->id)
                ->where('live', true)
                ->whereIn('id', array_keys($ticked))
                ->orderBy('id')
                ->pluck('id')
                ->all(),
        );
        $done = count(
            array_filter(
                $live,
                fn (int $id): bool => match ($said['do']) {
                    'stop' => $runner->stopBy($id, $staff),
                    'hurry' => $runner->hurry($id, $ticked[$id], $staff),
                    'skip' => $runner->skipStep($id, $ticked[$id], $staff),
                    default => $runner->moveTo($id, $ticked[$id], $step, "“{$called}”", $staff),
                },
            ),
        );
        $not = count($ticked) - $done;

        return back()->with(
            'done',
            match ($said['do']) {
                'stop' => self::many($done, 'was', 'were').
                    ' stopped.'.
                    ($not > 0 ? ' '.self::many($not, 'had', 'had').' ended already.' : ''),
                'hurry' => self::many($done, 'goes', 'go').
                    ' on now.'.
                    ($not > 0 ? ' '.self::many($not, 'waits', 'wait').' for nothing that could be hurried, or went on already.' : ''),
                'skip' => self::many($done, 'skips', 'skip').
                    ' the step.'.
                    ($not > 0 ? ' '.self::many($not, 'had', 'had').' gone on already.' : ''),
                default => self::many($done, 'goes', 'go').
                    ' on there.'.
                    ($not > 0
                        ? ' '.self::many($not, 'stands', 'stand').' there already, or elsewhere by now, or goes by older words.'
                        : ''),
            },
        );
    }

    private static function many(int $count, string $one, string $more): string
    {
        return match ($count) {
            0 => "None $more", 1 => "One $one", default => "$count $more",
        };
    }
}
