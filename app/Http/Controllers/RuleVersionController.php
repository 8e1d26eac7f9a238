<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Staff;
use App\Pages\Rules\VersionChanges;
use App\Rules\Drafts;
use App\Rules\Vocabularies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rule\Rule as Core;

/** The versions of a rule: what each changed in words, who published it and when, and the way back to one. */
final class RuleVersionController
{
    public function index(Rule $rule): View
    {
        $versions = RuleVersion::query()->with('staff')->where('rule_id', $rule->id)->orderByDesc('number')->simplePaginate(20);
        $before = RuleVersion::query()
            ->where('rule_id', $rule->id)
            ->where('number', '<', min([...array_column($versions->items(), 'number'), PHP_INT_MAX]))
            ->orderByDesc('number')
            ->first();

        return view('rules.versions', [
            'rule' => $rule,
            'versions' => $versions,
            'said' => VersionChanges::all(new RuleWriter(Vocabularies::language()), [
                ...$versions->items(),
                ...($before === null ? [] : [$before]),
            ]),
        ]);
    }

    /** Its words become the draft; nothing of it runs before it is published. */
    public function restore(Request $request, Rule $rule, RuleVersion $version, Drafts $drafts): RedirectResponse
    {
        abort_unless($version->rule_id === $rule->id, 404);
        $drafts->amend($rule, Staff::asking($request), "went back to version $version->number", fn (): Core => $version->read());

        return redirect()
            ->route('rules.show', $rule)
            ->with(
                'done',
                $rule->draft === null
                    ? "Version $version->number is what runs."
                    : "The words of version $version->number are the draft. Read them, then publish.",
            );
    }
}
