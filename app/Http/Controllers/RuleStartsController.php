<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Typed;
use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Records\Belonging;
use App\Pages\Rules\StartsPage;
use App\Rules\StartByHand;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Validation\ValidationException;
use Psr\Clock\ClockInterface;

/** Starts a rule for several at once: looked at first, then begun. */
final class RuleStartsController
{
    public function __construct(private readonly Belonging $belonging)
    {
    }

    public function show(Request $request, Rule $rule, StartByHand $start, ClockInterface $clock): View
    {
        return view('rules.starts', [
            'page' => new StartsPage($rule, $start, $this->belonging, Typed::one($request, 'of'), $clock->now()),
        ]);
    }

    public function store(Request $request, Rule $rule, StartByHand $start, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(['of' => 'required|string|max:200', 'many' => 'required|integer', 'once' => 'required|uuid']);
        $page = new StartsPage($rule, $start, $this->belonging, $said['of'], $clock->now());
        if ($page->able === [] || $page->isTooMany) {
            throw ValidationException::withMessages(['of' => 'There is nobody it can be started for.']);
        }
        if (count($page->able) !== (int) $said['many']) {
            throw ValidationException::withMessages(['of' => 'Meanwhile it would start for '.count($page->able).'. Look once more.']);
        }
        // Pressed twice is once.
        if (Cache::add("starts/$said[once]", true, 86_400)) {
            $start->several($rule, $page->able, Staff::asking($request));
        }

        return redirect()
            ->route('rules.runs', [$rule, 'state' => 'live'])
            ->with(
                'done',
                'It starts for '.
                    count($page->able).
                    ' in a moment. Whoever has had it, and may not have it again, is left out by the rule itself.',
            );
    }
}
