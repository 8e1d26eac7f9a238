<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Models\Rule;
use App\Pages\Rules\ResultsReader;
use App\Pages\Words\Tokens;
use App\Rules\Vocabularies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** Is it working? What each wording of a rule brought. */
final class RuleResultsController
{
    public function __invoke(Request $request, Rule $rule, ClockInterface $clock): View
    {
        $days = (int) ($request->validate(['days' => 'nullable|in:7,30,90'])['days'] ?? 30);

        return view('rules.results', [
            'rule' => $rule, 'now' => $clock->now(), 'results' => ResultsReader::of($rule, $days, $clock->now()),
            'tokens' => new Tokens(Vocabularies::ours(), $rule->written()->trigger->type()), 'currency' => Business::current()->currency(),
        ]);
    }
}
