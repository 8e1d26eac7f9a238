<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Pages\Rules\Completions;
use App\Rules\FirstDraft;
use App\Rules\Vocabularies;
use App\Sentences\Misread;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\RecordType;

/** A rule from nothing: from its first sentence, or from the sentences of a whole rule. */
final class RuleBeginningController
{
    public function show(): View
    {
        return view('rules.begin');
    }

    public function store(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['text' => 'required|string|max:100000', 'name' => 'nullable|string|max:120'],
            ['text.required' => 'Say what starts the rule, such as “When a booking comes in”.'],
        );
        $read = FirstDraft::of(Vocabularies::language(), $said['text'], trim((string) ($said['name'] ?? '')));
        if ($read->rule === null) {
            throw ValidationException::withMessages(['text' => Misread::says($read->errors)]);
        }
        $rule = Rule::query()->create([
            'name' => $read->rule->name,
            'power' => ActivationState::Paused,
            'draft' => $read->rule->toDocument(),
        ]);

        // The words of a first text are nobody's own yet: they are written next.
        return redirect()
            ->route('rules.show', $rule)
            ->with('done', 'The rule is here as a draft, switched off. Write on, then publish it.')
            ->with('opens', ! str_contains(trim($said['text']), "\n"));
    }

    public function completions(Request $request): View
    {
        $said = $request->validate(['text' => 'nullable|string|max:2000']);

        return view('rules.completions', [
            'completions' => (new Completions(Vocabularies::language(), RecordType::PERSON, '', fn (): null => null))->of(
                'beginning',
                (string) ($said['text'] ?? ''),
            ),
        ]);
    }
}
