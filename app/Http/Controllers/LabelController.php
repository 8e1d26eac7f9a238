<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Store\Labels;
use App\Intake\ChangeOrigin;
use App\Models\Person;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Linnet\Core\Record\Change\LabelKind;
use Psr\Clock\ClockInterface;

/** Somebody's tags, and the lists they are on. */
final class LabelController
{
    public function __invoke(Request $request, Person $person, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(
            ['kind' => ['required', Rule::enum(LabelKind::class)], 'name' => 'required|string|max:60', 'added' => 'required|boolean'],
            ['name.required' => 'Write the tag or list.', 'name.max' => 'A tag or list has up to 60 letters.'],
        );
        $kind = LabelKind::from($said['kind']);
        $name = trim(preg_replace('/\s+/u', ' ', $said['name']) ?? '');
        $done = DB::transaction(
            fn (): bool => Labels::set(
                $person->id, $kind, $name, $request->boolean('added'), ChangeOrigin::staff(Staff::asking($request)), $clock->now(),
            ),
        );

        return back()->with('done', match (true) {
            ! $done => $request->boolean('added') ? 'It was there already.' : 'It was not there.',
            $request->boolean('added') => $kind === LabelKind::Tag ? "Tagged “{$name}”." : "On the list “{$name}”.",
            default => $kind === LabelKind::Tag ? "The tag “{$name}” is taken away." : "No longer on the list “{$name}”.",
        });
    }
}
