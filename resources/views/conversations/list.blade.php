<section @class(['talk-list', 'behind' => $open !== null && ! $isFirst]) id="talk-list" aria-label="Conversations">
    @if ($open === null || $isFirst)<h1>Conversations</h1>@else<h2 class="text-[22px]">Conversations</h2>@endif
    <nav class="tabs" aria-label="Which conversations">
        <a href="{{ route('conversations.index', ['show' => 'waiting']) }}" @if ($asked['show'] === 'waiting') aria-current="true" @endif>Waiting {{ $waiting }}</a>
        <a href="{{ route('conversations.index', ['show' => 'all']) }}" @if ($asked['show'] === 'all') aria-current="true" @endif>All</a>
        @foreach ($lines as $line)
            <a href="{{ route('conversations.index', ['show' => $asked['show'], 'line' => $line->id]) }}" @if ((int) $asked['line'] === $line->id) aria-current="true" @endif>{{ ucfirst($line->name) }}</a>
        @endforeach
    </nav>
    <form method="get" action="{{ route('conversations.index') }}" class="py-2"><input class="input w-full" type="search" name="find" value="{{ $asked['find'] }}" placeholder="Name or number" aria-label="Find by name or number"></form>
    @can('view')<p class="pb-2"><x-export /></p>@endcan
    @forelse ($conversations as $item)
        <a class="who" href="{{ route('conversations.show', ['conversation' => $item] + array_filter(['show' => $asked['show'] === 'waiting' ? 'waiting' : null, 'line' => $asked['line'], 'find' => $asked['find']])) }}" @if ($open?->id === $item->id) aria-current="true" @endif>
            <span class="flex justify-between gap-2"><b class="font-semibold">{{ $item->person->name() }}</b>
                @if ($item->waiting_since)<span class="tone held sm">{{ \App\Clock\TimeFormatter::since($item->waiting_since, $now) }}</span>@else<span class="soft sm"><time datetime="{{ $item->last_at->format(DATE_ATOM) }}">{{ \App\Clock\TimeFormatter::past($item->last_at, $now, $business->zone) }}</time></span>@endif</span>
            <p>{{ $item->last?->isInbound() ? '' : 'We: ' }}{{ Str::limit($item->last?->body, 60) }}</p>
        </a>
    @empty
        <x-empty>{{ $asked['show'] === 'waiting' ? 'Nobody is waiting for an answer.' : 'What people and Linnet say to each other will stand here.' }}</x-empty>
    @endforelse
    <x-pages :list="$conversations" />
</section>
