<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Models\Person;
use App\Models\Record;
use App\Models\Rule;
use App\Models\Staff;
use App\Rules\StartByHand;
use App\Sentences\Sentence;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\AskedBy;

/** Starts a rule for somebody. */
final class StartController
{
    public function __invoke(Request $request, Rule $rule, StartByHand $start): JsonResponse
    {
        $said = $request->validate(['person_id' => 'required|integer|exists:people,id', 'record_id' => 'nullable|integer']);
        $person = Person::query()->findOrFail((int) $said['person_id']);
        $record = isset($said['record_id']) ? Record::query()->where('person_id', $person->id)->find((int) $said['record_id']) : null;
        if (isset($said['record_id']) && $record === null) {
            throw ValidationException::withMessages(['record_id' => 'This person has no such record.']);
        }
        $staff = $request->user();
        $missing = $start->start($rule->load('version'), $person, $record, AskedBy::Api, $staff instanceof Staff ? $staff : abort(401));
        if ($missing !== []) {
            throw ValidationException::withMessages(['rule' => array_map(fn (Reason $reason): string => Sentence::of($reason), $missing)]);
        }

        return new JsonResponse(['asked' => true], 202);
    }
}
