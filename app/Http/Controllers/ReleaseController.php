<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TimeFormatter;
use App\Engine\Runner;
use App\Models\Business;
use App\Models\Message;
use App\Models\Rule;
use App\Pages\Rules\BatchPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** The texts of a rule that wait to be let go: looked through, let go together, and held back again while that is possible. */
final class ReleaseController
{
    /** So long what was let go can be held back again. */
    private const UNDONE_WITHIN = '+60 seconds';

    public function show(Rule $rule, ClockInterface $clock): View
    {
        return view('rules.batch', ['page' => new BatchPage($rule, $clock->now())]);
    }

    public function store(Request $request, Rule $rule, Runner $runner, ClockInterface $clock): RedirectResponse
    {
        $asked = $request->validate(['newest' => 'nullable|integer|min:0']);
        $ids = array_values(array_map(intval(...), Message::query()
            ->awaitingRelease()
            ->where('rule_id', $rule->id)
            ->when(isset($asked['newest']), fn ($seen) => $seen->where('id', '<=', (int) $asked['newest']))
            ->orderBy('id')
            ->pluck('id')
            ->all()));
        $at = $clock->now()->modify(self::UNDONE_WITHIN);
        $runner->release($ids, $at);

        return redirect()->route('rules.batch', $rule)->with('done', $ids === [] ? 'None of them waits any more.' : ucfirst(
            TimeFormatter::count(count($ids), 'text leaves', 'texts leave'),
        ).' at '.$at->setTimezone(new \DateTimeZone(Business::current()->zone))->format('H:i:s').(count($ids) === 1 ? ', as far as the gate lets it.' : ', as far as the gate lets them.'));
    }

    public function undo(Rule $rule, Runner $runner, ClockInterface $clock): RedirectResponse
    {
        $many = $runner->holdBack(
            array_values(array_map(intval(...), Message::query()->letGo($clock->now())->where('rule_id', $rule->id)->pluck('id')->all())),
        );

        return redirect()->route('rules.batch', $rule)->with('done', $many === 0
            ? 'It was too late: they have left.'
            : ucfirst(TimeFormatter::count($many, 'text waits', 'texts wait')).' again.');
    }
}
