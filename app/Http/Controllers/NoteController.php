<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Conversations\NoteWriter;
use App\Models\Conversation;
use App\Models\Note;
use App\Models\Person;
use App\Models\Staff;
use App\Outside\Mailbox;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What staff write to each other about somebody. */
final class NoteController
{
    public function store(Request $request, Person $person, NoteWriter $notes): RedirectResponse
    {
        $conversation = Conversation::query()->where('person_id', $person->id)->find($request->integer('conversation'));
        $here = $conversation === null ? route('people.show', $person) : route('conversations.show', $conversation);
        $said = validator($request->all(), ['note' => 'required|string|max:2000'], [
            'note.required' => 'Write something first.', 'note.max' => 'A note has at most 2,000 characters.',
        ]);
        if ($said->fails()) {
            return redirect($here)->withErrors($said)->withInput();
        }
        $told = $notes->write(Staff::asking($request), $person, $conversation, trim($request->string('note')->value()));

        return redirect($here)->with('done', trim('Noted. '.self::says($told)));
    }

    public function destroy(Request $request, Note $note): RedirectResponse
    {
        $isTheirs = $note->staff_id === Staff::asking($request)->id;
        $isTheirs && $note->delete();

        return back()->with('done', $isTheirs ? 'The note is gone.' : 'Only whoever wrote a note takes it away.');
    }

    /** @param  list<Staff>  $told */
    public static function says(array $told): string
    {
        $names = implode(' and ', array_map(fn (Staff $one): string => $one->name, $told));

        $isOne = count($told) === 1;
        $sees = $isOne ? 'sees' : 'see';
        $mail = Mailbox::isThere() ? ($isOne ? ' and has a mail' : ' and have a mail') : '';

        return $told === [] ? '' : "$names $sees it on the screen$mail.";
    }
}
