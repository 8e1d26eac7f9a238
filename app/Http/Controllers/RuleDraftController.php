<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Rules\RulePages;
use App\Rules\Drafts;
use App\Rules\Publishing;
use App\Sentences\Sentence;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Check\Finding;
use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Rule as CoreRule;
use Psr\Clock\ClockInterface;

/** A rule's unpublished changes: kept as they are made, published on purpose. */
final class RuleDraftController
{
    /** What the rule is called, where it is kept, and what others call it. */
    public function update(Request $request, Rule $rule, Drafts $drafts): RedirectResponse
    {
        $said = $request->validate(
            [
                'name' => 'required|string|max:120',
                'folder' => 'nullable|string|max:60',
                'key' => 'nullable|string|max:60|regex:/^[a-z0-9][a-z0-9_-]*$/',
            ],
            [
                'name.required' => 'Give the rule a name.',
                'key.regex' => 'Use small letters, digits and hyphens, such as lesson-tomorrow.',
            ],
        );
        $name = trim($said['name']);
        $called =
            ['name' => $name] +
            array_filter(['folder' => $said['folder'] ?? '', 'key' => $said['key'] ?? ''], fn (string $one): bool => $one !== '');
        $drafts->amend(
            $rule,
            Staff::asking($request),
            "called it “{$name}”",
            fn (CoreRule $now): CoreRule => CoreRule::read(
                Doc::of($called + array_diff_key($now->toDocument(), ['name' => 1, 'folder' => 1, 'key' => 1])),
            ),
        );

        return redirect()->route('rules.show', ['rule' => $rule, 'sample' => $request->query('sample')]);
    }

    public function publish(Request $request, Rule $rule, ClockInterface $clock, RulePages $pages): RedirectResponse
    {
        $draft = $rule->draft;
        if ($draft === null) {
            return redirect()->route('rules.show', $rule)->with('done', 'There was nothing to publish.');
        }
        $blocking = array_filter($pages->checks($rule)->findings, fn (Finding $one): bool => $one->blocks);
        if ($blocking !== []) {
            throw ValidationException::withMessages([
                'publish' => array_values(array_map(fn (Finding $one): string => Sentence::of($one->reason), $blocking)),
            ]);
        }
        $said = $request->validate(
            [
                'under_way' => 'nullable|in:finish,move',
                'also' => 'nullable|boolean',
                'days' => 'nullable|required_if:also,1|integer|min:1|max:365',
            ],
            ['days.*' => 'Say a number of days, from 1 to 365.'],
        );
        $move = $said['under_way'] ?? 'finish';
        $read = CoreRule::read(Doc::of($draft));
        $further = ($said['also'] ?? false) ? $pages->of($rule, null)->further()->runs((int) $said['days']) : [];
        Publishing::publish($rule, $read, Staff::asking($request), $move === 'move', $clock->now(), $further);

        return redirect()->route('rules.show', $rule)->with('done', $move === 'move'
            ? 'Published. What is under way goes on by the new words.'.self::also($further)
            : 'Published. What starts from now on follows the new words; what is under way finishes on the old.'.self::also($further));
    }

    public function destroy(Rule $rule): RedirectResponse
    {
        DB::transaction(function () use ($rule): void {
            $rule->update(['draft' => null]);
            Drafts::forget($rule);
        });

        return redirect()->route('rules.show', $rule)->with('done', 'The unpublished changes are gone.');
    }

    /** @param  list<int>  $runs */
    private static function also(array $runs): string
    {
        return $runs === []
            ? ''
            : ' '.
                    (count($runs) === 1 ? 'One who' : count($runs).' who').
                    ' had come to its end '.
                    (count($runs) === 1 ? 'goes' : 'go').
                    ' on at the further step.';
    }
}
