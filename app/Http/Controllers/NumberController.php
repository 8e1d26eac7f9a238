<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Number;
use App\Models\Person;
use App\Models\Staff;
use App\Sentences\Sentence;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;

/** Somebody's telephone numbers: which there are, what each is called, and which of them texts go to. */
final class NumberController
{
    public function store(Request $request, Person $person, RecordWriter $writer): RedirectResponse
    {
        $said = $request->validate(
            ['number' => 'required|string|max:40', 'label' => 'nullable|string|max:40'], ['number.required' => 'Write the number.'],
        );
        try {
            $number = Numbers::read((string) $said['number'], Business::current()->country);
        } catch (NotANumber $e) {
            throw ValidationException::withMessages(['number' => Sentence::of($e->reason())]);
        }
        $known = Number::query()->where('e164', $number->e164)->first();
        if ($known !== null && $known->person_id !== $person->id) {
            $whose = Person::query()->findOrFail($known->person_id)->name();
            throw ValidationException::withMessages([
                'number' => "$whose has this number. If they are one person, put the two entries together.",
            ]);
        }
        $first = Number::query()->where('person_id', $person->id)->orderByDesc('rank')->orderBy('id')->first();
        DB::transaction(function () use ($person, $number, $writer, $request, $first, $said): void {
            $writer->editPerson($person, new PersonInput(number: $number), ChangeOrigin::staff(Staff::asking($request)));
            // The one texts went to is still that; another is chosen on purpose.
            $first === null || $first->update(['rank' => 1 + (int) Number::query()->where('person_id', $person->id)->max('rank')]);
            Number::query()->where('e164', $number->e164)->update(['label' => trim((string) ($said['label'] ?? '')) ?: null]);
        });

        return redirect()->route('people.show', $person)->with('done', 'The number is kept.');
    }

    public function update(Request $request, Number $number): RedirectResponse
    {
        $said = $request->validate(['label' => 'sometimes|nullable|string|max:40', 'first' => 'sometimes|boolean']);
        if ($request->boolean('first')) {
            $number->update(['rank' => 1 + (int) Number::query()->where('person_id', $number->person_id)->max('rank')]);
        }
        if (array_key_exists('label', $said)) {
            $number->update(['label' => trim((string) $said['label']) ?: null]);
        }

        return redirect()
            ->route('people.show', $number->person_id)
            ->with('done', $request->boolean('first') ? 'Texts go to this number from now on.' : 'Kept.');
    }

    /** The ledger keeps what was said from it. */
    public function destroy(Number $number): RedirectResponse
    {
        $number->delete();

        return redirect()->route('people.show', $number->person_id)->with('done', Numbers::pretty($number->e164).' is theirs no more.');
    }
}
