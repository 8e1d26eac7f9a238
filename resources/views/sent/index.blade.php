<x-page title="Sent">
    <div class="head"><div><h1>Sent</h1><p class="soft">Every text that left or was meant to, what became of it, and why.</p></div></div>
    <form class="filters" method="get" aria-label="Which texts">
        <label><span class="sm">What became of it</span>
            <select class="input w-36" name="state">
                <option value="">Everything</option>
                @foreach (['left' => 'left', 'answered' => 'left, and answered', 'kept' => 'held or set aside'] as $group => $word)<option value="{{ $group }}" @selected($asked['state'] === $group)>{{ $word }}</option>@endforeach
                @foreach ($states as $state)<option value="{{ $state->value }}" @selected($asked['state'] === $state->value)>{{ $state->word() }}</option>@endforeach
            </select></label>
        <label><span class="sm">Rule</span>
            <select class="input w-32" name="rule"><option value="">Any</option>@foreach ($rules as $rule)<option value="{{ $rule->id }}" @selected((int) $asked['rule'] === $rule->id)>{{ $rule->name }}</option>@endforeach</select></label>
        <label><span class="sm">Line</span>
            <select class="input w-26" name="line"><option value="">Any</option>@foreach ($lines as $line)<option value="{{ $line->id }}" @selected((int) $asked['line'] === $line->id)>{{ $line->name }}</option>@endforeach</select></label>
        <label><span class="sm">From</span><input class="input w-34" type="date" name="from" value="{{ $asked['from'] }}"></label>
        <label><span class="sm">Until</span><input class="input w-34" type="date" name="until" value="{{ $asked['until'] }}"></label>
        <label><span class="sm">Name or number</span><input class="input w-28" type="search" name="find" value="{{ $asked['find'] }}"></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected($asked['order'] === 'oldest')>Oldest first</option></select></label>
        @foreach (['run', 'step', 'wording'] as $narrow)@if ($asked[$narrow] !== '')<input type="hidden" name="{{ $narrow }}" value="{{ $asked[$narrow] }}">@endif @endforeach
        <button class="btn">Show</button>
    </form>
    <p class="mb-1 flex gap-4 flex-wrap">@if ($asked['run'] !== '' || $asked['wording'] !== '')<span class="sm">Only the texts of {{ $asked['run'] !== '' ? 'one run' : 'one wording' }}.</span>@endif<x-export />@if (array_filter(array_diff_key($asked, ['order' => 1])) !== [])<a class="link sm" href="{{ route('sent.index') }}">Show all</a>@endif</p>
    @if ($texts->isEmpty())
        <x-empty>No texts here. Texts appear as rules send them; <a class="link" href="{{ route('rules.index') }}">look at the rules</a>.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">When</th><th scope="col">To</th><th scope="col">Text</th><th scope="col">What became of it</th><th scope="col" class="n">Parts</th><th scope="col" class="n">Price</th></tr></thead>
            <tbody>
            @foreach ($texts as $text)
                <tr>
                    <td class="whitespace-nowrap"><x-time :at="$text->at" format="D j M H:i" /></td>
                    <td class="whitespace-nowrap">@if ($text->colleague()) {{ $text->colleague() }}<br><span class="soft sm">about</span> @endif <a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a><br><span class="soft sm">from the {{ $text->line->name }}</span></td>
                    <td class="max-w-md">{{ $text->body !== '' ? Str::limit($text->body, 150) : '(no words yet)' }}<br><span class="soft sm"><x-by :message="$text" /></span></td>
                    <td class="max-w-60"><x-state :message="$text" /><br><x-reason :reason="$text->reason" />
                        <details class="sm" hx-get="{{ route('messages.show', $text) }}" hx-trigger="toggle once" hx-target="find .why"><summary class="link">Why</summary><div class="why"><a class="link" href="{{ route('messages.show', $text) }}">Every check</a></div></details></td>
                    <td class="n">{{ $text->parts ?: '–' }}</td>
                    <td class="n whitespace-nowrap">{{ $text->left_at === null ? '–' : \App\Clock\TimeFormatter::price($text->price_micros, $text->currency ?? 'GBP') }}</td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        <x-pages :list="$texts" />
    @endif
</x-page>
