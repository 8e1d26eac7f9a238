<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Rule;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule as Valid;
use Linnet\Core\Gate\Power;
use Psr\Clock\ClockInterface;

/** Switches a rule on or off. Off, what is under way keeps its place; on again, it is looked at anew. */
final class RulePowerController
{
    public function __invoke(Request $request, Rule $rule, Runner $runner, ClockInterface $clock): RedirectResponse
    {
        $power = Power::from($request->validate(['power' => ['required', Valid::in(['on', 'paused'])]])['power']);
        if ($power !== $rule->power) {
            $rule->update(['power' => $power, 'on_since' => $power === Power::On ? $clock->now() : null]);
            if ($power === Power::On) {
                $runner->wake($rule);
            }
        }

        return redirect()->route('rules.show', $rule)->with('done', $power === Power::On ? 'The rule is on.' : 'The rule is off. What is under way keeps its place.');
    }
}
