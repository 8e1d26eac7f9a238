<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TheirTime;
use App\Conversations\ReplyNotices;
use App\Conversations\Writers;
use App\Counts\WaitingConversations;
use App\Database\DistinctValues;
use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\Notice;
use App\Models\Staff;
use App\Pages\Conversations\ConversationQuery;
use App\Pages\Conversations\SaidSearch;
use App\Pages\Conversations\ThreadPage;
use App\Pages\PersonPage;
use App\Pages\WritingPage;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Linnet\Core\Record\Change\LabelKind;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who is waiting for us? */
final readonly class ConversationController
{
    public function __construct(private Writers $writers, private WritingPage $writing)
    {
    }

    public function index(Request $request, PersonPage $page, ClockInterface $clock): View|StreamedResponse
    {
        // Those who wait; where nobody does, or somebody is looked for, all of them.
        $isWaiting = ! $request->hasAny(['show', 'find']) && resolve(WaitingConversations::class)->count() > 0;
        $query = ConversationQuery::of($request, Staff::asking($request), $clock->now(), $isWaiting ? 'waiting' : 'all');
        if ($request->header('HX-Target') === 'talk-items') {
            return view('conversations.items', [
                'query' => $query, 'conversations' => self::paged($query), 'open' => $request->integer('open'), 'now' => $clock->now(),
            ]);
        }
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

        $list = $this->list($request, $query, $clock);
        $first = $query->shows('waiting') ? $list['conversations']->items()[0] ?? null : null;

        return $first === null
            ? view('conversations.index', $list)
            : view('conversations.show', [...$list, ...$this->thread($request, $first, $page, $list['colleagues']), 'isFirst' => true]);
    }

    public function show(Request $request, Conversation $conversation, PersonPage $page, ClockInterface $clock): View
    {
        $me = Staff::asking($request);
        if ($request->header('HX-Target') === 'thread') {
            return view('conversations.thread', ['thread' => $this->threadPage($request, $conversation, Staff::answering())]);
        }
        $list = $this->list($request, ConversationQuery::of($request, $me, $clock->now()), $clock);

        return view('conversations.show', [...$list, ...$this->thread($request, $conversation, $page, $list['colleagues']), 'isFirst' => false]);
    }

    /** Somebody is writing there: whoever else looks at it sees so. */
    public function writing(Request $request, Conversation $conversation): Response
    {
        $this->writers->writes($conversation, Staff::asking($request));

        return response()->noContent();
    }

    /** Nothing more is to be answered. */
    public function done(Conversation $conversation, ClockInterface $clock): RedirectResponse
    {
        $conversation->update(['waiting_since' => null, 'put_off_until' => null]);
        ReplyNotices::answered($conversation->id, $clock->now());

        return redirect()->route('conversations.show', $conversation);
    }

    /** @param  Collection<int, Staff>  $colleagues */
    private function threadPage(Request $request, Conversation $conversation, Collection $colleagues): ThreadPage
    {
        return new ThreadPage($conversation, $request, Staff::asking($request), $this->writers, $colleagues);
    }

    /**
     * @param  Collection<int, Staff>  $colleagues
     * @return array{conversation: Conversation, writing: WritingPage, page: PersonPage, thread: ThreadPage,
     * putOff: list<array{string, string}>}
     */
    private function thread(Request $request, Conversation $conversation, PersonPage $page, Collection $colleagues): array
    {
        $this->writing->to($conversation->person, $conversation->line_id);

        return [
            'conversation' => $conversation,
            'writing' => $this->writing,
            'thread' => $this->threadPage($request, $conversation, $colleagues),
            'page' => $page->writtenTo($this->writing),
            'putOff' => (new TheirTime(Business::current()->zone, $page->now))->later(),
        ];
    }

    /** @return Paginator<int, Conversation> */
    private static function paged(ConversationQuery $query): Paginator
    {
        return $query->build()->simplePaginate(30)->setPath(route('conversations.index'))->appends($query->with());
    }

    /**
     * @return array{query: ConversationQuery, search: SaidSearch, said: Paginator<int, Message>|null,
     * conversations: Paginator<int, Conversation>, lines: Collection<int, Line>, colleagues: Collection<int, Staff>, tags: list<string>,
     * nobodys: int, waiting: int, notices: Collection<int, Notice>, awaited: Collection<int, Notice>,
     * now: \DateTimeImmutable, me: Staff}
     */
    private function list(Request $request, ConversationQuery $query, ClockInterface $clock): array
    {
        $search = new SaidSearch($query->asked['find']);
        $notices = fn (): Builder => Notice::query()
            ->whereNull('put_away_at')
            ->where('staff_id', Staff::asking($request)->id)
            ->whereNotNull('conversation_id')
            ->orderByDesc('id');

        return [
            'query' => $query, 'search' => $search, 'said' => $search->find(),
            'conversations' => self::paged($query),
            'lines' => Line::query()->orderBy('id')->get(['id', 'name']),
            'colleagues' => Staff::answering(),
            'tags' => DistinctValues::of('labels', 'name', ['kind' => LabelKind::Tag->value]),
            'waiting' => resolve(WaitingConversations::class)->count(),
            'nobodys' => Conversation::query()->waiting($clock->now())->whereNull('staff_id')->count(),
            'notices' => $notices()->where('name', 'not like', ReplyNotices::NAMED)->limit(3)->get(),
            // Those stand in the list too: by their names alone.
            'awaited' => $notices()->where('name', 'like', ReplyNotices::NAMED)->with('person.number')->limit(5)->get(),
            'now' => $clock->now(),
            'me' => Staff::asking($request),
        ];
    }
}
