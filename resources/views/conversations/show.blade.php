<x-page :title="$isFirst ? 'Conversations' : $conversation->person->name()" wide>
    <div class="talk">
        @include('conversations.list', ['open' => $conversation])
        <section @class(['talk-thread', 'behind' => $isFirst])>
            <div class="head">
                <div>
                    <a class="link sm lg:hidden" href="{{ route('conversations.index') }}">All conversations</a>
                    <{{ $isFirst ? 'h2' : 'h1' }} class="text-[22px]">{{ $conversation->person->name() }}</{{ $isFirst ? 'h2' : 'h1' }}>
                    <p class="soft sm">with the {{ $conversation->line->name }}{{ $conversation->line->number === null ? ', which cannot be answered' : ', '.\Linnet\Core\Number\Numbers::pretty($conversation->line->number) }}.@if ($page->receiver->zone !== $business->zone) It is {{ $now->setTimezone(new DateTimeZone($page->receiver->zone))->format('H:i') }} for {{ $page->receiver->who }} in {{ \App\Clock\TimeFormatter::place($page->receiver->zone) }}.@endif
                        @if ($conversation->owner) {{ $conversation->owner->id === $me->id ? 'It is yours.' : "It is {$conversation->owner->name}’s." }}@endif
                        @if ($conversation->isPutOff($now)) Put off until @time($conversation->put_off_until, 'D j M H:i').@endif
                        @if ($page->conversations()->count() > 1)<a class="link" href="{{ route('conversations.show', ['conversation' => $conversation] + ($thread->isWhole ? [] : ['lines' => 'all'])) }}">{{ $thread->isWhole ? 'This line alone' : 'With all lines' }}</a>@endif</p>
                </div>
                @can('converse')
                    <div class="acts">
                        <form class="contents" method="post" action="{{ route('conversations.owner', $conversation) }}">@csrf @method('put')
                            @if ($conversation->staff_id === $me->id)<button class="btn" name="owner" value="" title="Whoever comes first answers">Leave it</button>@else<button class="btn" name="owner" value="{{ $me->id }}" title="It becomes yours to answer">Take it</button>@endif
                        </form>
                        <details class="word" @if ($errors->has('owner')) open @endif><summary class="btn">Hand over</summary>
                            <form class="change" method="post" action="{{ route('conversations.owner', $conversation) }}">@csrf @method('put')
                                <label><span class="label">To</span><select class="input w-full" name="owner">@foreach ($colleagues as $one) @if ($one->id !== $me->id)<option value="{{ $one->id }}" @selected($one->id === $conversation->staff_id)>{{ $one->name }}</option>@endif @endforeach</select></label><x-error name="owner" />
                                <label class="block mt-2"><span class="label">With a word about it (only staff see it)</span><textarea class="input w-full" name="words" rows="3" maxlength="2000"></textarea></label>
                                <p class="mt-2"><button class="btn go">Hand over</button></p>
                            </form></details>
                        <x-note-box :person="$conversation->person_id" :conversation="$conversation->id" />
                        @if ($conversation->isPutOff($now))
                            <form class="contents" method="post" action="{{ route('conversations.put-on', $conversation) }}">@csrf @method('delete')<button class="btn" title="It stands among those who wait">Not put off</button></form>
                        @else
                            <details class="word" @if ($errors->has('put_off')) open @endif><summary class="btn">Put off</summary>
                                <form class="change" method="post" action="{{ route('conversations.put-off', $conversation) }}">@csrf
                                    {{-- The first is what Enter in the field does. --}}<button class="sr-only" tabindex="-1" aria-hidden="true">Put it off</button>
                                    <p class="soft sm mb-2">It waits again then, or as soon as {{ $page->receiver->who }} writes.</p>
                                    <p class="flex gap-2 flex-wrap">@foreach ($putOff as [$called, $until])<button class="btn small" name="until" value="{{ $until }}">{{ $called }}</button>@endforeach</p>
                                    <p class="flex gap-2 items-end mt-2"><label><span class="label">Or until ({{ \App\Clock\TimeFormatter::place($business->zone) }})</span><input class="input" type="datetime-local" name="put_off" value="{{ old('put_off', $putOff[1][1]) }}" @error('put_off') aria-invalid="true" aria-describedby="put_off-error" @enderror></label><button class="btn">Put it off</button></p>
                                    <x-error name="put_off" />
                                </form></details>
                        @endif
                        @if ($conversation->waiting_since)
                            <form class="contents" method="post" action="{{ route('conversations.done', $conversation) }}">@csrf<button class="btn" title="Nothing more is to be answered">Done</button></form>
                        @endif
                    </div>
                @endcan
            </div>
            @if ($thread->sought)<p class="sm mb-1">What was said around @time($thread->sought->at, 'j F Y H:i'). <a class="link" href="{{ route('conversations.show', $conversation) }}">To the newest</a></p>@endif
            @include('conversations.thread')
            @can('converse')
                <form class="write-form" method="post" enctype="multipart/form-data" action="{{ route('people.texts.store', $conversation->person_id) }}">
                    @csrf<input type="hidden" name="conversation" value="{{ $conversation->id }}">
                    <span hidden hx-post="{{ route('conversations.writing', $conversation) }}" hx-trigger="input from:#text throttle:4s" hx-swap="none"></span>
                    @if (count($writing->lines) > 1 || count($writing->numbers()) > 1)
                        <details class="mb-1" x-data="fromTo" x-on:change="chosen" @if ($errors->hasAny('line', 'number')) open @endif><summary class="link sm" x-ref="says" title="Another line, or another of their numbers">From {{ ucfirst(collect($writing->lines)->firstWhere('id', (int) old('line'))?->name ?? $conversation->line->name) }}@if ($writing->receiver->number) to {{ \Linnet\Core\Number\Numbers::pretty((string) old('number', $writing->receiver->number)) }}@endif</summary>
                            <x-from-to class="mt-1" :page="$writing" /></details>
                    @else
                        <input type="hidden" name="line" value="{{ $conversation->line_id }}">
                    @endif
                    <x-write-box :page="$writing" :conversation="$conversation" />
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
                @if ($page->labels()->isNotEmpty())<dt>Tags</dt><dd>{{ $page->labels()->pluck('name')->implode(', ') }}</dd>@endif
            </dl>
            @if ($conversation->line->number !== null)
                @can('converse')<form method="post" action="{{ route('people.line', $conversation->person) }}" class="mt-1">@csrf @method('put')
                    @if ($conversation->person->line_id === $conversation->line_id)
                        <button class="link sm" name="line" value="" title="Rules may text {{ $page->receiver->who }} from other lines again">Not only this line</button>
                    @else
                        <button class="link sm" name="line" value="{{ $conversation->line_id }}" title="Rules that may choose a line text {{ $page->receiver->who }} from this one">Keep to this line</button>
                    @endif
                </form>@endcan
            @endif
            <h2>Records</h2>
            <x-records :page="$page" />
            <h2>Coming texts</h2>
            @forelse ($page->coming() as $text)
                <x-coming-text :text="$text" :whose="false" dated />
            @empty
                <p class="soft">None in the next two weeks, as things stand.</p>
            @endforelse
            <h2>To do</h2>
            <x-tasks :tasks="$page->tasks()" :person="$conversation->person" :staff="$colleagues" :back="$thread->here()" />
            <h2>Rules under way</h2>
            @forelse ($page->underWay() as $run)
                <x-under-way :run="$run" :linked="Gate::allows('view')" />
            @empty
                <p class="soft">None.</p>
            @endforelse
        </aside>
    </div>
</x-page>
