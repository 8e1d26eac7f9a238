<section @class(['talk-list', 'behind' => $open !== null && ! $isFirst]) id="talk-list" aria-label="Conversations">
    @if ($open === null || $isFirst)<h1>Conversations</h1>@else<h2 class="text-[22px]">Conversations</h2>@endif
    <nav class="tabs" aria-label="Which conversations">
        @foreach (['waiting' => "Waiting $waiting", 'mine' => 'Mine', 'nobodys' => "Nobody’s $nobodys", 'put_off' => 'Put off', 'all' => 'All'] as $show => $called)
            <a href="{{ route('conversations.index', $query->with(['show' => $show, 'find' => ''])) }}" @if ($query->shows($show)) aria-current="true" @endif>{{ $called }}</a>
        @endforeach
    </nav>
    @if ($awaited->isNotEmpty())<p class="told">For you to answer: @foreach ($awaited as $notice)<a class="link" href="{{ route('conversations.show', $notice->conversation_id) }}">{{ $notice->person?->name() }}</a>{{ $loop->last ? '.' : ', ' }}@endforeach</p>@endif
    @foreach ($notices as $notice)
        <div class="told"><p>{{ $notice->words }}</p>
            <form method="post" action="{{ route('notices.put-away', $notice) }}">@csrf<a class="link sm" href="{{ route('conversations.show', $notice->conversation_id) }}">Look</a> <button class="link sm ml-2">Put away</button></form></div>
    @endforeach
    <form method="get" action="{{ route('conversations.index') }}" class="py-2"><input type="hidden" name="show" value="{{ $query->asked['show'] }}"><input class="input w-full" type="search" name="find" value="{{ $query->asked['find'] }}" placeholder="Name, number or words" aria-label="Find by name, number or what was said">
        <details class="only" @if ($query->isNarrowed()) open @endif><summary class="link sm">Only some</summary>
            @foreach ([['line', 'Line', $lines->mapWithKeys(fn ($line) => [$line->id => ucfirst($line->name)])], ['owner', 'Whose', $colleagues->pluck('name', 'id')], ['tag', 'Tag', array_combine($tags, $tags)]] as [$name, $label, $choices])
                <label><span class="label">{{ $label }}</span><select class="input w-full" name="{{ $name }}"><option value="">Any</option>@foreach ($choices as $value => $called)<option value="{{ $value }}" @selected($query->asked[$name] === (string) $value)>{{ $called }}</option>@endforeach</select></label>
            @endforeach
            <p class="flex gap-3 items-center mt-2"><button class="btn small">Show</button>@if ($query->isNarrowed())<a class="link sm" href="{{ route('conversations.index', $query->with(['line' => '', 'owner' => '', 'tag' => ''])) }}">Any again</a>@endif</p>
        </details>
    </form>
    <p class="pb-2 -mt-1 flex gap-3">@can('view')<x-export />@endcan<a class="link sm" href="{{ route('tasks.index') }}">Tasks</a>@can('view')<a class="link sm" href="{{ route('several.index') }}">Texts to several</a>@endcan</p>
    @if ($said !== null)<h3 class="found">Who is called so</h3>@endif
    @include('conversations.items', ['open' => $open?->id])
    @if ($said !== null)
        <h3 class="found">What was said</h3>
        @forelse ($said as $text)
            <a class="who" href="{{ route('conversations.show', ['conversation' => $text->conversation_id, 'text' => $text->id] + $query->with()) }}#text-{{ $text->id }}" @if (isset($thread) && $thread->sought?->id === $text->id) aria-current="true" @endif>
                <span class="flex justify-between gap-2"><b class="font-semibold">{{ $text->person->name() }}</b><span class="soft sm">@time($text->at, 'j M Y')</span></span>
                <p class="hit">{{ $text->isInbound() ? '' : 'We: ' }}{{ $search->marked($text->body) }}</p>
            </a>
        @empty
            <x-empty>Nobody said that.</x-empty>
        @endforelse
        <x-pages :list="$said" />
    @endif
</section>
