<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Merging\Alike;
use App\Merging\Doubles;
use App\Merging\Likeness;
use App\Merging\Merging;
use App\Models\Merge;
use App\Models\Person;
use App\Models\Run;
use App\Models\Staff;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Two entries that are one person: found, seen beside each other, made one, and split again. */
final readonly class MergeController
{
    public function __construct(private Merging $merging)
    {
    }

    /** Whoever has the address of an entry that was put together with another comes to the other. */
    public static function moved(Request $request): RedirectResponse
    {
        $id = $request->route('person');
        $merge = Merge::query()->where('gone_id', is_numeric($id) ? (int) $id : 0)->whereNull('undone_at')->orderByDesc('id')->first();

        return $merge === null ? abort(404) : redirect()->route('people.show', $merge->person_id);
    }

    /** Whoever may be here twice. */
    public function index(Request $request): View
    {
        return view('people.twice', self::asked($request));
    }

    /** Looked for beside the page: where few are alike, everybody is looked at. */
    public function list(Request $request): View
    {
        ['by' => $by, 'page' => $page] = self::asked($request);
        $doubles = Doubles::by($by, $page)->setPath(route('people.twice'))->appends(['by' => $by->value]);

        return view('people.doubles', ['by' => $by, 'doubles' => $doubles]);
    }

    /** @return array{by: Alike, page: int} */
    private static function asked(Request $request): array
    {
        $said = $request->validate(['by' => ['nullable', Rule::enum(Alike::class)], 'page' => 'nullable|integer|between:1,10000']);

        return ['by' => Alike::from((string) ($said['by'] ?? Alike::Email->value)), 'page' => (int) ($said['page'] ?? 1)];
    }

    /** They are two, and are not asked about again. */
    public function apart(Request $request, Person $person): RedirectResponse
    {
        $other = Person::query()->whereKeyNot($person->id)->find((int) $request->validate(['with' => 'required|integer'])['with']);
        $other === null || Doubles::tellApart($person, $other);

        return redirect()->route('people.twice', $request->only('by'))->with('done', 'They are two. Nobody is asked about them again.');
    }

    public function show(Request $request, Person $person): View
    {
        $said = $request->validate([
            'with' => 'nullable|integer', 'find' => 'nullable|string|max:80', 'by' => ['nullable', Rule::enum(Alike::class)],
        ]);
        $other = isset($said['with']) ? Person::query()->whereKeyNot($person->id)->find((int) $said['with']) : null;
        $find = trim((string) ($said['find'] ?? ''));

        return view('people.merge', [
            'person' => $person, 'other' => $other, 'find' => $find, 'by' => $said['by'] ?? null,
            'alike' => $other === null && $find === '' ? Likeness::of($person) : [],
            'found' => $find === '' ? [] : Person::query()->named($find)->with('number')->whereKeyNot($person->id)->limit(20)->get(),
            'entries' => $other === null ? [] : Person::query()->with('number', 'numbers', 'labels')->withCount('records', 'messages')
                ->whereKey([$person->id, $other->id])->get()->sortBy(fn (Person $one): int => $one->id === $person->id ? 0 : 1)->values(),
            'withdraws' => $other === null ? [] : $this->merging->withdraws($person, $other),
            'ending' => $other === null
                ? []
                : Run::query()->with('rule')->whereKey($this->merging->endsRuns($person, $other))->get(),
        ]);
    }

    public function store(Request $request, Person $person): RedirectResponse
    {
        $with = (int) $request->validate(['with' => 'required|integer'])['with'];
        $other = Person::query()->whereKeyNot($person->id)->find($with)
            ?? throw ValidationException::withMessages(['with' => 'There is nobody of that entry any more.']);
        $name = $other->name();
        $this->merging->merge($person, $other, Staff::asking($request));

        return redirect()
            ->route('people.show', $person)
            ->with('done', "What $name had is {$person->name()}’s now. It can be split again within a day.");
    }

    public function undo(Request $request, Merge $merge): RedirectResponse
    {
        $done = $this->merging->undo($merge, Staff::asking($request));

        return redirect()
            ->route('people.show', $merge->person_id)
            ->with('done', $done ? 'They are two again, as they were.' : 'It is too late to split them.');
    }
}
