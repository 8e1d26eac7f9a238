<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\StaffTexts;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Person;
use App\Models\Staff;
use App\Sentences\Sentence;
use App\View\PersonPage;
use App\View\Story;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Psr\Clock\ClockInterface;

/** Who is waiting for us? */
final class ConversationController
{
    public function index(Request $request, ClockInterface $clock): View
    {
        return view('conversations.index', $this->list($request, $clock));
    }

    public function show(Request $request, Conversation $conversation, PersonPage $page, ClockInterface $clock): View
    {
        $conversation->load('person.number', 'line');

        return view('conversations.show', [
            ...$this->list($request, $clock),
            'conversation' => $conversation,
            'page' => $page->about($conversation->person),
            'story' => Story::inConversation($conversation, Business::ours()->zone),
        ]);
    }

    public function write(Request $request, Conversation $conversation, StaffTexts $texts): RedirectResponse
    {
        $said = $request->validate(['text' => 'required|string|max:1600'], ['text.required' => 'Write something first.']);
        $staff = $request->user();
        $refused = $texts->send($conversation, $staff instanceof Staff ? $staff : abort(403), trim($said['text']));
        if ($refused !== null) {
            throw ValidationException::withMessages(['text' => Sentence::of($refused)]);
        }

        return redirect()->route('conversations.show', $conversation);
    }

    /** Nothing more is to be answered. */
    public function done(Conversation $conversation): RedirectResponse
    {
        $conversation->update(['waiting_since' => null]);

        return redirect()->route('conversations.show', $conversation);
    }

    /** @return array<string, mixed> */
    private function list(Request $request, ClockInterface $clock): array
    {
        $asked = $request->validate(['show' => 'nullable|in:waiting,all', 'line' => 'nullable|integer', 'find' => 'nullable|string|max:80'])
            + ['show' => 'all', 'line' => '', 'find' => ''];
        $query = Conversation::query()->with(['person.number', 'line', 'last'])->whereNotNull('last_message_id');
        if ($asked['show'] === 'waiting') {
            $query->whereNotNull('waiting_since')->orderBy('waiting_since')->orderBy('id');
        } else {
            $query->orderByDesc('last_at')->orderByDesc('id');
        }
        if ($asked['line'] !== '' && $asked['line'] !== null) {
            $query->where('line_id', $asked['line']);
        }
        if (is_string($asked['find']) && $asked['find'] !== '') {
            $query->whereIn('person_id', Person::query()->named($asked['find'])->select('id'));
        }

        return [
            'conversations' => $query->simplePaginate(30)->withQueryString(),
            'asked' => $asked,
            'lines' => Line::query()->orderBy('id')->get(['id', 'name']),
            'waiting' => Conversation::query()->whereNotNull('waiting_since')->count(),
            'now' => $clock->now(),
        ];
    }
}
