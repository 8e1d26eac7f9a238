<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TheirTime;
use App\Counts\WaitingConversations;
use App\Database\DistinctValues;
use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Notice;
use App\Models\Staff;
use App\Pages\Conversations\ConversationQuery;
use App\Pages\PersonPage;
use App\Pages\Story;
use App\Pages\StoryReader;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Linnet\Core\Record\Change\LabelKind;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who is waiting for us? */
final class ConversationController
{
    public function index(Request $request, PersonPage $page, ClockInterface $clock): View|StreamedResponse
    {
        // Those who wait; where nobody does, or somebody is looked for, all of them.
        $isWaiting = ! $request->hasAny(['show', 'find']) && resolve(WaitingConversations::class)->count() > 0;
        $query = ConversationQuery::of($request, Staff::asking($request), $clock->now(), $isWaiting ? 'waiting' : 'all');
        if ($request->query('as') === 'csv') {
            Gate::authorize('view');

            return CsvExport::of(
                'conversations',
                ['Person', 'Number', 'Line', 'Last', 'Waiting since', 'Put off until', 'Whose', 'Last text'],
                (function () use ($query): \Generator {
                    foreach ($query->build()->lazy(300) as $one) {
                        yield [
                            $one->person->name(), $one->person->number?->e164, $one->line->name, $one->last_at->format(DATE_ATOM),
                            $one->waiting_since?->format(DATE_ATOM), $one->put_off_until?->format(DATE_ATOM), $one->owner?->name,
                            $one->last?->body,
                        ];
                    }
                })(),
            );
        }

        $list = [...$this->list($request, $query, $clock), 'isWhole' => false];
        $first = $query->shows('waiting') ? $list['conversations']->items()[0] ?? null : null;

        return $first === null
            ? view('conversations.index', $list)
            : view('conversations.show', [...$list, ...$this->thread($first, $page), 'isFirst' => true]);
    }

    public function show(Request $request, Conversation $conversation, PersonPage $page, ClockInterface $clock): View
    {
        $query = ConversationQuery::of($request, Staff::asking($request), $clock->now());

        $isWhole = $request->query('lines') === 'all';

        return view('conversations.show', [
            ...$this->list($request, $query, $clock), ...$this->thread($conversation, $page, $isWhole), 'isFirst' => false, 'isWhole' => $isWhole,
        ]);
    }

    /** Nothing more is to be answered. */
    public function done(Conversation $conversation): RedirectResponse
    {
        $conversation->update(['waiting_since' => null, 'put_off_until' => null]);

        return redirect()->route('conversations.show', $conversation);
    }

    /** @return array{conversation: Conversation, page: PersonPage, story: Story, putOff: list<array{string, string}>} */
    private function thread(Conversation $conversation, PersonPage $page, bool $isWhole = false): array
    {
        $conversation->load('person.number', 'line', 'owner');
        $zone = Business::current()->zone;

        return [
            'conversation' => $conversation,
            'page' => $page->about($conversation->person),
            'story' => $isWhole ? StoryReader::ofPerson($conversation->person, $zone) : StoryReader::ofConversation($conversation, $zone),
            'putOff' => (new TheirTime($zone, $page->now))->later(),
        ];
    }

    /**
     * @return array{query: ConversationQuery, conversations: Paginator<int, Conversation>, lines: Collection<int, Line>,
     * colleagues: Collection<int, Staff>, tags: list<string>, nobodys: int, waiting: int, notices: Collection<int, Notice>,
     * now: \DateTimeImmutable, me: Staff}
     */
    private function list(Request $request, ConversationQuery $query, ClockInterface $clock): array
    {
        return [
            'query' => $query,
            'conversations' => $query->build()->simplePaginate(30)->withQueryString(),
            'lines' => Line::query()->orderBy('id')->get(['id', 'name']),
            'colleagues' => Staff::answering(),
            'tags' => DistinctValues::of('labels', 'name', ['kind' => LabelKind::Tag->value]),
            'waiting' => resolve(WaitingConversations::class)->count(),
            'nobodys' => Conversation::query()->waiting($clock->now())->whereNull('staff_id')->count(),
            'notices' => Notice::query()
                ->whereNull('put_away_at')
                ->where('staff_id', Staff::asking($request)->id)
                ->whereNotNull('conversation_id')
                ->orderByDesc('id')
                ->limit(3)
                ->get(),
            'now' => $clock->now(),
            'me' => Staff::asking($request),
        ];
    }
}
