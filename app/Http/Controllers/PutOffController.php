<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TheirTime;
use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\Conversation;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Psr\Clock\ClockInterface;

/** A conversation that nobody need look at until a moment, unless they write again. */
final class PutOffController
{
    public function store(Request $request, Conversation $conversation, ClockInterface $clock): RedirectResponse
    {
        $here = route('conversations.show', $conversation);
        $said = validator($request->all(), [
            'until' => 'nullable|date_format:Y-m-d\TH:i', 'put_off' => 'required_without:until|nullable|date_format:Y-m-d\TH:i',
        ], ['put_off.*' => 'Say until when.']);
        if ($said->fails()) {
            return redirect($here)->withErrors($said)->withInput();
        }
        $ours = Business::current()->zone;
        $time = new TheirTime($ours, $clock->now());
        $until = $time->moment((string) ($request->input('until') ?? $request->input('put_off')));
        $wrong = $time->refuses($until, $ours);
        if ($wrong !== null) {
            throw ValidationException::withMessages(['put_off' => $wrong])->redirectTo($here);
        }
        $conversation->update(['put_off_until' => $until, 'waiting_since' => $conversation->waiting_since ?? $clock->now()]);

        return redirect()->route('conversations.index')
            ->with('done', "{$conversation->person->name()} is put off until ".TimeFormatter::momentIn($until, $ours).', unless they write again.');
    }

    public function destroy(Conversation $conversation): RedirectResponse
    {
        $conversation->update(['put_off_until' => null]);

        return redirect()->route('conversations.show', $conversation)->with('done', 'It waits again.');
    }
}
