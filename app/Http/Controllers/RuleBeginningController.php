<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Rules\FirstDraft;
use App\Rules\Vocabularies;
use App\Sentences\Misread;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Gate\Power;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\Sentences;
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
        $said = $request->validate(['text' => 'required|string|max:100000', 'name' => 'nullable|string|max:120'], ['text.required' => 'Say what starts the rule, such as “When a booking comes in”.']);
        $read = FirstDraft::of(Vocabularies::language(), $said['text'], trim((string) ($said['name'] ?? '')));
        if ($read->rule === null) {
            throw ValidationException::withMessages(['text' => Misread::says($read->errors)]);
        }
        $rule = Rule::query()->create(['name' => $read->rule->name, 'power' => Power::Paused, 'draft' => $read->rule->toDocument()]);

        return redirect()->route('rules.show', $rule)->with('done', 'The rule is here as a draft, switched off. Write on, then publish it.');
    }

    public function completions(Request $request): View
    {
        $said = $request->validate(['text' => 'nullable|string|max:2000']);
        $phrase = Vocabularies::language()->line(RecordType::PERSON, '', 'beginning');

        return view('rules.completions', ['completions' => array_map(fn ($one): array => [
            'whole' => $one->whole, 'typed' => mb_substr($one->whole, 0, mb_strlen($one->whole, 'UTF-8') - mb_strlen($one->words, 'UTF-8'), 'UTF-8'), 'words' => $one->words, 'kind' => $one->kind,
            'beside' => $one->words === '' && $one->kind !== null ? "write the $one->kind" : '', 'ends' => ! Sentences::read($phrase, $one->whole) instanceof ProseError,
        ], array_slice(Sentences::complete($phrase, (string) ($said['text'] ?? '')), 0, 60))]);
    }
}
