<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Person;
use App\Models\Record;
use App\Models\Rule;
use App\Models\Staff;
use App\Rules\StartByHand;
use App\Sentences\Sentence;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\AskedBy;

/** Starts a rule for one person or record. */
final class StartRuleController
{
    public function __invoke(Request $request, Person $person, StartByHand $start): RedirectResponse
    {
        $said = $request->validate(
            ['rule' => 'required|integer|exists:rules,id', 'record' => 'nullable|integer|exists:records,id'],
            ['rule.*' => 'Choose a rule.'],
        );
        $record = isset($said['record']) ? Record::query()->where('person_id', $person->id)->findOrFail((int) $said['record']) : null;
        $missing = $start->start(
            Rule::query()->with('version')->findOrFail((int) $said['rule']), $person, $record, AskedBy::Hand, Staff::asking($request),
        );
        if ($missing !== []) {
            throw ValidationException::withMessages(['rule' => array_map(fn (Reason $reason): string => Sentence::of($reason), $missing)]);
        }

        return back()->with('done', 'It starts in a moment. What comes of it will stand in the story.');
    }
}
