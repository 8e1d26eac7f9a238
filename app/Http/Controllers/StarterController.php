<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Rules\Starters;
use App\Rules\Vocabularies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Linnet\Core\Gate\Power;
use Linnet\Core\Prose\Language;

/** Begins a rule: from a starter, or as a copy of another. Either is a draft, switched off, to be read and published. */
final class StarterController
{
    public function index(): View
    {
        return view('rules.starters', ['folders' => Starters::all(), 'language' => new Language(Vocabularies::ours())]);
    }

    public function store(string $key): RedirectResponse
    {
        $starter = Starters::find($key) ?? abort(404);

        return $this->draft($starter->name, $starter->toDocument(), 'The rule is here as a draft, switched off. Read it, change what is yours, then publish it.');
    }

    public function copy(Rule $rule): RedirectResponse
    {
        $name = mb_substr("Copy of $rule->name", 0, 120, 'UTF-8');

        return $this->draft($name, ['name' => $name] + $rule->written()->toDocument(), 'This is the copy: a draft, switched off.');
    }

    /** @param  array<string, mixed>  $document */
    private function draft(string $name, array $document, string $says): RedirectResponse
    {
        $rule = Rule::query()->create(['name' => $name, 'power' => Power::Paused, 'draft' => $document]);

        return redirect()->route('rules.show', $rule)->with('done', $says);
    }
}
