<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Rules\RulePages;
use App\Sentences\Sentence;
use App\Trials\OwnNumber;
use App\Trials\Trials;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Reason;

/** A rule tried on the asking person's own telephone. */
final class TrialController
{
    public function show(Request $request, Rule $rule, RulePages $pages, Trials $trials, OwnNumber $own): View
    {
        $staff = Staff::asking($request);
        $trial = $trials->open($rule, $staff);

        return view($request->header('HX-Request') === 'true' ? 'rules.trial-texts' : 'rules.trial', [
            'page' => $pages->asked($rule, $request), 'staff' => $staff, 'asked' => $own->asked($staff), 'trial' => $trial,
            'ahead' => $trial === null ? [] : $trials->ahead($trial), 'kept' => $trial === null ? [] : $trials->kept($trial),
            'isChanged' => $trial !== null && $trial->document != $rule->written()->toDocument(),
        ]);
    }

    public function begin(Request $request, Rule $rule, RulePages $pages, Trials $trials): RedirectResponse
    {
        $staff = Staff::asking($request);
        $page = $pages->asked($rule, $request);
        $this->refuse($staff->number_confirmed_at === null ? new Reason('trial.not_confirmed') : null);
        if ($page->sample === null) {
            throw ValidationException::withMessages(['trial' => Sentence::of(new Reason('trial.nobody'))]);
        }
        $trials->begin($rule, $staff, $page->sample, $page->whatIf->sentences);

        return redirect()->route('rules.trial', $page->query());
    }

    /** The next text, or all that are left; or what was not taken, once more. */
    public function send(Request $request, Rule $rule, Trials $trials): RedirectResponse
    {
        $said = $request->validate(['what' => 'required|in:next,all,again,end', 'sent' => 'required_if:what,next,all|integer|min:0']);
        $what = $said['what'];
        $trial =
            $trials->open($rule, Staff::asking($request)) ??
            throw ValidationException::withMessages(['trial' => 'The trial is over. Begin it again.']);
        if ($what === 'end') {
            $trials->end($trial);
        } else {
            $this->refuse($what === 'again' ? $trials->again($trial) : $trials->send($trial, $what === 'all', (int) $said['sent']));
        }

        return redirect()->route(
            'rules.trial',
            ['rule' => $rule, 'sample' => $trial->sample_id] + ($trial->suppose === [] ? [] : ['if' => $trial->suppose]),
        );
    }

    /** One's own number: asked for, and confirmed by the code that was sent there. */
    public function number(Request $request, Rule $rule, OwnNumber $own): RedirectResponse
    {
        $said = $request->validate(
            ['number' => 'required_without:code|string|max:40', 'code' => 'required_without:number|string|max:20'],
            ['number.required_without' => 'Write your number.', 'code.required_without' => 'Write the code.'],
        );
        $staff = Staff::asking($request);
        if (isset($said['code'])) {
            if (! $own->confirm($staff, $said['code'])) {
                throw ValidationException::withMessages(['code' => 'That is not the code, or it no longer holds. Ask for another.']);
            }

            return back()->with('done', 'The number is yours.');
        }
        $refused = $own->requestCode($staff, $said['number'] ?? '');
        if ($refused !== null) {
            throw ValidationException::withMessages(['number' => Sentence::of($refused)]);
        }

        return back()->with('done', 'A code is on its way.');
    }

    private function refuse(?Reason $reason): void
    {
        if ($reason !== null) {
            throw ValidationException::withMessages(['trial' => Sentence::of($reason)]);
        }
    }
}
