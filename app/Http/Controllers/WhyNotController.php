<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Person;
use App\Models\Record;
use App\Models\Rule;
use App\Pages\Texts\WhyNotPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** Why somebody got nothing from a rule, or about one of their records. */
final class WhyNotController
{
    public function __invoke(Request $request, Person $person, ClockInterface $clock, DatabaseSideEffects $sideEffects): View
    {
        $asked = $request->validate(['rule' => 'required|integer', 'record' => 'nullable|integer']);
        $record = isset($asked['record'])
            ? Record::query()->where('person_id', $person->id)->with('type')->findOrFail((int) $asked['record'])
            : null;
        $rule = Rule::query()->with('version')->findOrFail((int) $asked['rule']);

        return view('people.why-not', [
            'page' => new WhyNotPage($person->load('number'), $record, $rule, UnitOfWork::reading($clock->now(), $sideEffects)),
        ]);
    }
}
