<x-page :title="$isFirst ? 'Conversations' : $conversation->person->name()" wide>
    <div class="talk">
        @include('conversations.list', ['open' => $conversation])
        <section @class(['talk-thread', 'behind' => $isFirst])>
            <div class="head">
                <div>
                    <a class="link sm lg:hidden" href="{{ route('conversations.index') }}">All conversations</a>
                    <{{ $isFirst ? 'h2' : 'h1' }} class="text-[22px]">{{ $conversation->person->name() }}</{{ $isFirst ? 'h2' : 'h1' }}>
                    <p class="soft sm">with the {{ $conversation->line->name }}{{ $conversation->line->number === null ? ', which cannot be answered' : ', '.\Linnet\Core\Number\Numbers::pretty($conversation->line->number) }}.@if ($page->receiver->zone !== $business->zone) It is {{ $now->setTimezone(new DateTimeZone($page->receiver->zone))->format('H:i') }} for {{ $page->receiver->who }} in {{ \App\Clock\TimeFormatter::place($page->receiver->zone) }}.@endif</p>
                </div>
                @can('converse')
                    <div class="acts">
                        @if ($conversation->line->number !== null)
                            <form method="post" action="{{ route('people.line', $conversation->person) }}">@csrf @method('put')
                                @if ($conversation->person->line_id === $conversation->line_id)
                                    <button class="btn" name="line" value="" title="Rules may text {{ $page->receiver->who }} from other lines again">Not only this line</button>
                                @else
                                    <button class="btn" name="line" value="{{ $conversation->line_id }}" title="Rules that may choose a line text {{ $page->receiver->who }} from this one">Keep to this line</button>
                                @endif
                            </form>
                        @endif
                        @if ($conversation->waiting_since)
                            <form method="post" action="{{ route('conversations.done', $conversation) }}">@csrf<button class="btn" title="Nothing more is to be answered">Done</button></form>
                        @endif
                    </div>
                @endcan
            </div>
            <div class="scroll" id="thread" tabindex="0" role="region" aria-label="What was said" hx-get="{{ route('conversations.show', $conversation) }}" hx-trigger="every 2s" hx-select="#thread" hx-swap="morph:outerHTML"><x-story :story="$story" /></div>
            @can('converse')
                <form class="write-form" method="post" action="{{ route('people.texts.store', $conversation->person_id) }}">
                    @csrf<input type="hidden" name="conversation" value="{{ $conversation->id }}"><input type="hidden" name="line" value="{{ $conversation->line_id }}">
                    <x-write-box :person="$conversation->person_id" :receiver="$page->receiver" :time="$page->time" />
                </form>
            @endcan
        </section>
        <aside class="talk-side" id="talk-side">
            <h2 class="!mt-0">May we text {{ $page->receiver->who }}?</h2>
            <x-may-we-text :receiver="$page->receiver" />
            <h2><a class="link" href="{{ route('people.show', $conversation->person) }}">{{ $conversation->person->name() }}</a></h2>
            <dl class="facts">
                @if ($page->receiver->number)<dt>Number</dt><dd>{{ \Linnet\Core\Number\Numbers::pretty($page->receiver->number) }}</dd>@endif
                <dt>Zone</dt><dd>{{ \App\Clock\TimeFormatter::place($page->receiver->zone) }}</dd>
            </dl>
            <h2>Coming texts</h2>
            @forelse ($page->coming() as $text)
                <x-coming-text :text="$text" :whose="false" dated />
            @empty
                <p class="soft">None in the next two weeks, as things stand.</p>
            @endforelse
            <h2>Rules under way</h2>
            @forelse ($page->underWay() as $run)
                <p>{{ $run->rule->name }}@if ($run->timer?->due_at)<br><span class="soft sm">next look @time($run->timer->due_at, 'D j M H:i')</span>@endif</p>
            @empty
                <p class="soft">None.</p>
            @endforelse
        </aside>
    </div>
</x-page>
