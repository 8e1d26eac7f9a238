<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Text\Words\Folded;

/** The words that are always obeyed. */
final class WordsController
{
    public function __invoke(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['opt_out' => 'required|string|max:1000', 'opt_in' => 'required|string|max:1000', 'help' => 'required|string|max:1000'],
            ['*.required' => 'At least one word is needed: people have to be able to say it.'],
        );
        $words = $seen = [];
        foreach (['opt_out', 'opt_in', 'help'] as $kind) {
            foreach (array_filter(array_map(trim(...), preg_split('/[,;\n]+/', $said[$kind]) ?: [])) as $word) {
                $folded = Folded::of($word);
                if ($folded === '' || mb_strlen($word, 'UTF-8') > 60) {
                    throw ValidationException::withMessages([$kind => "“{$word}” is no word that could be texted."]);
                }
                if (isset($seen[$folded]) && $seen[$folded] !== $kind) {
                    throw ValidationException::withMessages([$kind => "“{$word}” cannot mean two things."]);
                }
                $seen[$folded] = $kind;
                $words[$kind][$folded] = $word;
            }
        }
        // Carriers and the law expect this one everywhere.
        if (($seen['stop'] ?? '') !== 'opt_out') {
            throw ValidationException::withMessages(['opt_out' => 'STOP has to be among them: it is what people are told to text.']);
        }
        if (($seen['start'] ?? '') !== 'opt_in') {
            throw ValidationException::withMessages(['opt_in' => 'START has to be among them: it is what people are told to text.']);
        }
        Business::current()->update(['words' => array_map(array_values(...), $words)]);

        return redirect()->route('safeguards.index')->with('done', 'The words are kept.');
    }
}
