<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Counts\WaitingConversations;
use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Pages\PersonPage;
use App\Pages\Story;
use App\Pages\StoryReader;
use App\People\PersonFilter;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who is waiting for us? */
final class ConversationController
{
    public function index(Request $request, PersonPage $page, ClockInterface $clock): View|StreamedResponse
    {
        // Those who wait; where nobody does, or somebody is looked for, all of them.
        $isWaiting = ! $request->hasAny(['show', 'find']) && resolve(WaitingConversations::class)->count() > 0;
        $shown = $isWaiting ? 'waiting' : 'all';
        if ($request->query('as') === 'csv') {
            Gate::authorize('view');

            return CsvExport::of(
                'conversations',
                ['Person', 'Number', 'Line', 'Last', 'Waiting since', 'Last text'],
                (function () use ($request, $shown): \Generator {
                    foreach ($this->query($this->asked($request, $shown))->lazy(300) as $one) {
                        yield [
                            $one->person->name(), $one->person->number?->e164, $one->line->name, $one->last_at->format(DATE_ATOM),
                            $one->waiting_since?->format(DATE_ATOM), $one->last?->body,
                        ];
                    }
                })(),
            );
        }

        $list = $this->list($request, $clock, $shown);
        $first = $list['asked']['show'] === 'waiting' ? $list['conversations']->items()[0] ?? null : null;

        return $first === null
            ? view('conversations.index', $list)
            : view('conversations.show', [...$list, ...$this->thread($first, $page), 'isFirst' => true]);
    }

    public function show(Request $request, Conversation $conversation, PersonPage $page, ClockInterface $clock): View
    {
        return view('conversations.show', [...$this->list($request, $clock), ...$this->thread($conversation, $page), 'isFirst' => false]);
    }

    /** Nothing more is to be answered. */
    public function done(Conversation $conversation): RedirectResponse
    {
        $conversation->update(['waiting_since' => null]);

        return redirect()->route('conversations.show', $conversation);
    }

    /** @return array{conversation: Conversation, page: PersonPage, story: Story} */
    private function thread(Conversation $conversation, PersonPage $page): array
    {
        $conversation->load('person.number', 'line');

        return [
            'conversation' => $conversation,
            'page' => $page->about($conversation->person),
            'story' => StoryReader::ofConversation($conversation, Business::current()->zone),
        ];
    }

    /**
     * @param  string  $shown  where nothing is said of it
     * @return array{conversations: Paginator<int, Conversation>, asked: array<string, mixed>, lines: Collection<int, Line>, waiting: int,
     * now: \DateTimeImmutable}
     */
    private function list(Request $request, ClockInterface $clock, string $shown = 'all'): array
    {
        $asked = $this->asked($request, $shown);
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
    private function asked(Request $request, string $shown = 'all'): array
    {
        return $request->validate(['show' => 'nullable|in:waiting,all', 'line' => 'nullable|integer', 'find' => 'nullable|string|max:80'])
            + ['show' => $shown, 'line' => '', 'find' => ''];
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
