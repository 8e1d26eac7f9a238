<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Counts\WaitingConversations;
use App\Engine\DirectTexts;
use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Staff;
use App\Pages\PersonPage;
use App\Pages\StoryReader;
use App\People\PersonFilter;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who is waiting for us? */
final class ConversationController
{
    public function index(Request $request, ClockInterface $clock): View|StreamedResponse
    {
        if ($request->query('as') === 'csv') {
            Gate::authorize('view');

            return CsvExport::of(
                'conversations',
                ['Person', 'Number', 'Line', 'Last', 'Waiting since', 'Last text'],
                (function () use ($request): \Generator {
                    foreach ($this->query($this->asked($request))->lazy(300) as $one) {
                        yield [
                            $one->person->name(), $one->person->number?->e164, $one->line->name, $one->last_at->format(DATE_ATOM),
                            $one->waiting_since?->format(DATE_ATOM), $one->last?->body,
                        ];
                    }
                })(),
            );
        }

        return view('conversations.index', $this->list($request, $clock));
    }

    public function show(Request $request, Conversation $conversation, PersonPage $page, ClockInterface $clock): View
    {
        $conversation->load('person.number', 'line');

        return view('conversations.show', [
            ...$this->list($request, $clock),
            'conversation' => $conversation,
            'page' => $page->about($conversation->person),
            'story' => StoryReader::ofConversation($conversation, Business::current()->zone),
        ]);
    }

    public function write(Request $request, Conversation $conversation, DirectTexts $texts): RedirectResponse
    {
        $said = $request->validate(['text' => 'required|string|max:1600'], ['text.required' => 'Write something first.']);
        $refused = $texts->fromStaff($conversation, Staff::asking($request), trim($said['text']));
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
        $asked = $this->asked($request);
        $query = $this->query($asked);

        return [
            'conversations' => $query->simplePaginate(30)->withQueryString(),
            'asked' => $asked,
            'lines' => Line::query()->orderBy('id')->get(['id', 'name']),
            'waiting' => resolve(WaitingConversations::class)->count(),
            'now' => $clock->now(),
        ];
    }

    /** @return array<string, mixed> */
    private function asked(Request $request): array
    {
        return $request->validate(['show' => 'nullable|in:waiting,all', 'line' => 'nullable|integer', 'find' => 'nullable|string|max:80'])
            + ['show' => 'all', 'line' => '', 'find' => ''];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return Builder<Conversation>
     */
    private function query(array $asked): Builder
    {
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
            PersonFilter::only($query, $asked['find']);
        }

        return $query;
    }
}
