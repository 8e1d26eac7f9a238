<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\KeptText;
use App\Models\Line;
use App\Models\Person;
use App\Models\Staff;
use App\Pages\Conversations\HandWords;
use App\Pages\Words\Tokens;
use App\Rules\Vocabularies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\Person as Named;
use Linnet\Core\Record\RecordType;

/** Texts kept to be written again: one's own and everybody's. */
final class KeptTextController
{
    private const FOUND = 8;

    public function index(Request $request): View
    {
        $me = Staff::asking($request);
        $find = (string) ($request->validate(['find' => 'nullable|string|max:80'])['find'] ?? '');

        return view('kept-texts.index', [
            'texts' => KeptText::of($me, $find)->simplePaginate(30)->withQueryString(), 'me' => $me, 'find' => $find,
            'tokens' => self::tokens(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $me = Staff::asking($request);
        $isShared = $request->boolean('shared') && $me->role->administers();
        KeptText::query()->create([...$this->said($request), 'staff_id' => $isShared ? null : $me->id]);

        return redirect()->route('kept-texts.index')->with('done', 'Kept.');
    }

    public function update(Request $request, KeptText $kept): RedirectResponse
    {
        $may = $kept->mayBeChangedBy(Staff::asking($request));
        $may && $kept->update($this->said($request));

        return redirect()->route('kept-texts.index')->with('done', $may ? 'Kept.' : 'Everybody’s texts are changed by an administrator.');
    }

    public function destroy(Request $request, KeptText $kept): RedirectResponse
    {
        $may = $kept->mayBeChangedBy(Staff::asking($request));
        $may && $kept->delete();

        return redirect()->route('kept-texts.index')->with('done', $may ? 'It is gone.' : 'Everybody’s texts are changed by an administrator.');
    }

    /** Those that are found by what is typed, to be put into a text to somebody. */
    public function offered(Request $request, Person $person): View
    {
        $said = $request->validate(['kept' => 'nullable|string|max:80', 'record' => 'nullable|integer']);

        return view('kept-texts.offered', [
            'person' => $person, 'record' => $said['record'] ?? null, 'tokens' => self::tokens(),
            'texts' => KeptText::of(Staff::asking($request), trim((string) ($said['kept'] ?? '')))->limit(self::FOUND)->get(),
        ]);
    }

    /** One of them filled in for somebody, after what is typed already. */
    public function fill(Request $request, Person $person, KeptText $kept, HandWords $hand): View
    {
        $me = Staff::asking($request);
        abort_unless($kept->staff_id === null || $kept->staff_id === $me->id, 404);
        $said = $request->validate([
            'text' => 'nullable|string|max:1600', 'line' => 'nullable|integer', 'number' => 'nullable|string|max:20',
            'record' => 'nullable|integer',
        ]);
        [$words, $wrong] = $hand->for(
            $person, isset($said['line']) ? Line::query()->find((int) $said['line']) : null,
            isset($said['record']) ? (int) $said['record'] : null, number: $said['number'] ?? null,
        )->filled($kept->body);
        $typed = rtrim((string) ($said['text'] ?? ''));

        return view('partials.write-text', [
            'value' => $typed.($typed === '' || $words === '' ? '' : ' ').$words, 'wrong' => $wrong, 'rows' => 3, 'stopped' => false,
            'person' => $person->id, 'record' => $said['record'] ?? null,
            'who' => Named::nameFor($person->first_name, $person->last_name, []),
        ]);
    }

    private static function tokens(): Tokens
    {
        return new Tokens(Vocabularies::ours(), RecordType::PERSON);
    }

    /** @return array{name: string, body: string} */
    private function said(Request $request): array
    {
        $said = $request->validate(['name' => 'required|string|max:60', 'text' => 'required|string|max:1600'], [
            'name.required' => 'Give it a name to find it by.', 'text.required' => 'Write the text.',
        ]);
        $body = trim(str_replace("\r\n", "\n", (string) $said['text']));
        $wrong = HandWords::wrong($body);
        if ($wrong !== null) {
            throw ValidationException::withMessages(['text' => $wrong])->redirectTo(route('kept-texts.index'));
        }

        return ['name' => trim((string) $said['name']), 'body' => $body];
    }
}
