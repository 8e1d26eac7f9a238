<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Rule;
use App\Rules\KeywordOwners;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule as Valid;
use Linnet\Core\Record\ActivationState;

/** Switches a rule on or off, or ends it for good. Off, what is under way keeps its place; on again, it is looked at anew. */
final class RulePowerController
{
    public function __invoke(Request $request, Rule $rule, Runner $runner): RedirectResponse
    {
        $power = ActivationState::from($request->validate(['power' => ['required', Valid::in(['on', 'paused', 'retired'])]])['power']);
        if ($rule->power === ActivationState::Retired) {
            return redirect()->route('rules.show', $rule)->with('done', 'It was retired. Make a copy to use it again.');
        }
        if ($power === ActivationState::Retired) {
            $runner->retire($rule);

            return redirect()->route('rules.show', $rule)->with('done', 'The rule is retired. What was under way has ended.');
        }
        if ($power === ActivationState::On && $rule->version_id === null) {
            return redirect()->route('rules.show', $rule)->with('done', 'Publish it first: nothing of it runs yet.');
        }
        if ($power !== $rule->power) {
            if ($power === ActivationState::On && $rule->version !== null) {
                KeywordOwners::check($rule, $rule->version->read());
            }
            $power === ActivationState::On ? $runner->switchOn($rule) : $rule->update(['power' => $power, 'on_since' => null]);
        }

        return redirect()
            ->route('rules.show', $rule)
            ->with('done', $power === ActivationState::On ? 'The rule is on.' : 'The rule is off. What is under way keeps its place.');
    }
}
