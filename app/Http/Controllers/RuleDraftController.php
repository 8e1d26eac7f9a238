<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Models\Staff;
use App\Rules\DraftEdit;
use App\Rules\Publishing;
use App\View\Rules\RulePages;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Rule as CoreRule;
use Linnet\Core\Text\PlainTwin;
use Psr\Clock\ClockInterface;

/** A rule's unpublished changes: kept as they are made, published on purpose. */
final class RuleDraftController
{
    public function update(Request $request, Rule $rule, RulePages $pages): Response|RedirectResponse
    {
        $said = array_map(strval(...), array_filter($request->only(['part', 'step', 'value', 'amount', 'time', 'days', 'text']), is_scalar(...)));
        $place = ($said['part'] ?? '').(($said['step'] ?? '') === '' ? '' : "-{$said['step']}");
        $wrong = [];
        try {
            $written = DraftEdit::apply($rule->written()->toDocument(), $said + ['part' => '']);
            $published = $rule->version?->read();
            $rule->update(['draft' => $published !== null && $written->toJson() === $published->toJson() ? null : $written->toDocument(), 'name' => $rule->name]);
        } catch (ValidationException $e) {
            if ($request->header('HX-Request') !== 'true') {
                throw $e;
            }
            $wrong = array_map(fn (array $messages): string => implode(' ', $messages), $e->errors()) + [$place => ''];
            $wrong[$place] = implode(' ', array_filter($wrong));
        }
        if ($request->header('HX-Request') !== 'true') {
            return redirect()->route('rules.show', ['rule' => $rule, 'sample' => $request->query('sample')]);
        }

        return new Response(view('rules.show', [
            'page' => $pages->of($rule->refresh(), $request->integer('sample') ?: null), 'wrong' => $wrong, 'changed' => $place, 'typed' => $said,
        ])->fragment('rule'), $wrong === [] ? 200 : 422);
    }

    public function publish(Request $request, Rule $rule, ClockInterface $clock): RedirectResponse
    {
        $draft = $rule->draft;
        if ($draft === null) {
            return redirect()->route('rules.show', $rule)->with('done', 'There was nothing to publish.');
        }
        $move = $request->validate(['under_way' => 'nullable|in:finish,move'])['under_way'] ?? 'finish';
        Publishing::publish($rule, CoreRule::read(Doc::of($draft)), Staff::asking($request), $move === 'move', $clock->now());

        return redirect()->route('rules.show', $rule)->with('done', $move === 'move'
            ? 'Published. What is under way goes on by the new words.'
            : 'Published. What starts from now on follows the new words; what is under way finishes on the old.');
    }

    public function destroy(Rule $rule): RedirectResponse
    {
        $rule->update(['draft' => null]);

        return redirect()->route('rules.show', $rule)->with('done', 'The unpublished changes are gone.');
    }

    /** How a text would read with the words being typed. */
    public function preview(Request $request, Rule $rule, RulePages $pages): View
    {
        $said = $request->validate(['step' => 'required|string|max:60', 'text' => 'present|nullable|string|max:2000']);
        try {
            $read = DraftEdit::apply($rule->written()->toDocument(), ['part' => 'wording', 'step' => $said['step'], 'text' => $said['text'] ?? '']);
        } catch (ValidationException $e) {
            return view('rules.preview', ['text' => null, 'problem' => $e->getMessage(), 'plain' => null]);
        }
        $texts = $pages->of($rule, $request->integer('sample') ?: null)->with($read)->texts ?? [];
        $text = array_values(array_filter($texts, fn ($text): bool => $text->step === $said['step']))[0] ?? null;

        $plain = PlainTwin::of($said['text'] ?? '');

        return view('rules.preview', ['text' => $text, 'problem' => null, 'plain' => $plain === ($said['text'] ?? '') ? null : $plain]);
    }
}
