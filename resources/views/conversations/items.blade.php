<div id="talk-items" hx-get="{{ route('conversations.index', $query->with() + ['open' => $open, 'page' => $conversations->currentPage()]) }}" hx-trigger="every 5s" hx-swap="morph:outerHTML">
    @forelse ($conversations as $item)
        <a class="who" href="{{ route('conversations.show', ['conversation' => $item] + $query->with()) }}" @if ($open === $item->id) aria-current="true" @endif>
            <span class="flex justify-between gap-2"><b class="font-semibold">{{ $item->person->name() }}</b>
                @if ($item->isPutOff($now))<span class="soft sm">until @time($item->put_off_until, 'D H:i')</span>@elseif ($item->waiting_since)<span class="tone held sm">{{ \App\Clock\TimeFormatter::since($item->waiting_since, $now) }}</span>@else<span class="soft sm"><time datetime="{{ $item->last_at->format(DATE_ATOM) }}">{{ \App\Clock\TimeFormatter::past($item->last_at, $now, $business->zone) }}</time></span>@endif</span>
            <p>{{ $item->last?->isInbound() ? '' : 'We: ' }}{{ Str::limit($item->last?->body, 60) }}</p>
            @if ($item->owner && ! $query->shows('mine'))<p class="sm">{{ $item->owner->name }}</p>@endif
        </a>
    @empty
        @if ($query->asked['find'] !== '')<p class="soft">Nobody.</p>@else<x-empty>{{ match (true) { $query->isNarrowed() => 'None of these.', $query->shows('waiting') => 'Nobody is waiting for an answer.', $query->shows('nobodys') => 'Everybody who waits has somebody who answers.', $query->shows('mine') => 'None is yours. “Take it” makes one so.', $query->shows('put_off') => 'None is put off.', default => 'What people and Linnet say to each other will stand here.' } }}</x-empty>@endif
    @endforelse
    <x-pages :list="$conversations" />
</div>
