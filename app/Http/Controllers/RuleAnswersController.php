<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\Day;
use App\Models\Business;
use App\Models\Rule;
use App\Pages\Rules\Answers;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** What people answered to a rule's questions: counted after the rest of its results is seen. */
final class RuleAnswersController
{
    public function __invoke(Request $request, Rule $rule, ClockInterface $clock): View
    {
        $days = (int) ($request->validate(['days' => 'nullable|in:7,30,90'])['days'] ?? 30);
        $since = Day::firstOf($days, $clock->now(), Business::current()->zone);

        return view('rules.answers', ['rule' => $rule, 'since' => $since, 'answers' => Answers::of($rule, $since)]);
    }
}
