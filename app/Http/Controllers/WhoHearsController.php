<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Person;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Which of us is told of whatever somebody writes. */
final class WhoHearsController
{
    public function __invoke(Request $request, Person $person): RedirectResponse
    {
        $said = $request->validate(['hears' => 'nullable|integer'])['hears'] ?? null;
        $staff = $said === null ? null : Staff::query()->whereNull('off_at')->find((int) $said);
        if ($said !== null && ! $staff?->role->converses()) {
            throw ValidationException::withMessages(['hears' => 'Choose somebody who answers texts.']);
        }
        $person->update(['hears_staff_id' => $staff?->id]);

        return redirect()->route('people.show', $person)->with('done', $staff === null
            ? 'Those on the line are told again, or whom the rule names.'
            : "{$staff->name} is told of what they write, unless a conversation is somebody else’s.");
    }
}
