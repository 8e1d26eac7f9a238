<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Conversations\NoteWriter;
use App\Models\Conversation;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Whose a conversation is: taken, handed to a colleague with a word about it, or given back to whoever answers. */
final class ConversationOwnerController
{
    public function __invoke(Request $request, Conversation $conversation, NoteWriter $notes): RedirectResponse
    {
        $said = $request->validate(['owner' => 'nullable|integer', 'words' => 'nullable|string|max:2000']);
        $me = Staff::asking($request);
        $to = ($said['owner'] ?? null) === null ? null : Staff::query()->whereNull('off_at')->find((int) $said['owner']);
        if (($said['owner'] ?? null) !== null && ! $to?->role->converses()) {
            throw ValidationException::withMessages(['owner' => 'Choose somebody who answers texts.'])
                ->redirectTo(route('conversations.show', $conversation));
        }
        $told = $notes->handOver($me, $conversation, $to, trim((string) ($said['words'] ?? '')));

        return redirect()->route('conversations.show', $conversation)->with('done', match (true) {
            $to === null => 'It is nobody’s now: whoever comes first answers.',
            $to->id === $me->id => 'It is yours.',
            default => "It is {$to->name}’s now. ".NoteController::says($told),
        });
    }
}
