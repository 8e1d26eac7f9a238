<x-page title="Sent">
    <div class="head"><div><h1>Sent</h1><p class="soft">Every text that left or was meant to, what became of it, and why.</p></div></div>
    @if ($kept->isNotEmpty())
        <p class="flex gap-x-4 gap-y-1 flex-wrap mb-1 sm"><span class="soft">Kept lists:</span>
            @foreach ($kept as $list)<span><a class="link" href="{{ route('sent.index', $list->asked) }}">{{ $list->name }}</a>@can('administer')<form class="inline" method="post" action="{{ route('sent.forget', $list) }}">@csrf @method('delete')<button class="icon-button" title="Forget the list {{ $list->name }}"><x-icon name="x" /><span class="sr-only">Forget the list {{ $list->name }}</span></button></form>@endcan</span>@endforeach</p>
    @endif
    @php($more = ['version', 'by', 'kind', 'reason', 'country', 'least'])
    <form class="filters" method="get" aria-label="Which texts">
        <label><span class="sm">What became of it</span>
            <select class="input w-36" name="state">
                <option value="">Everything</option>
                @foreach (['left' => 'left', 'answered' => 'left, and answered', 'ended' => 'left, and they said stop', 'opened' => 'left, and its link opened', 'goal' => 'left, and its goal met', 'kept' => 'held or set aside'] as $group => $word)<option value="{{ $group }}" @selected($query->of('state') === $group)>{{ $word }}</option>@endforeach
                @foreach ($states as $state)<option value="{{ $state->value }}" @selected($query->of('state') === $state->value)>{{ $state->word() }}</option>@endforeach
            </select></label>
        <label><span class="sm">Rule</span>
            <select class="input w-32" name="rule"><option value="">Any</option>@foreach ($rules as $rule)<option value="{{ $rule->id }}" @selected((int) $query->of('rule') === $rule->id)>{{ $rule->name }}</option>@endforeach</select></label>
        <label><span class="sm">Line</span>
            <select class="input w-26" name="line"><option value="">Any</option>@foreach ($lines as $line)<option value="{{ $line->id }}" @selected((int) $query->of('line') === $line->id)>{{ $line->name }}</option>@endforeach</select></label>
        <label><span class="sm">From</span><input class="input w-34" type="date" name="from" value="{{ $query->of('from') }}"></label>
        <label><span class="sm">Until</span><input class="input w-34" type="date" name="until" value="{{ $query->of('until') }}"></label>
        <label><span class="sm">Name or number</span><input class="input w-28" type="search" name="find" value="{{ $query->of('find') }}"></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected($query->of('order') === 'oldest')>Oldest first</option></select></label>
        <button class="btn">Show</button>
        <details class="w-full" @if (array_intersect_key($query->asked, array_flip($more)) !== []) open @endif><summary class="link sm">More to go by</summary>
            <div class="filters mt-2">
                <label><span class="sm">Why</span><select class="input w-44" name="reason"><option value="">For any reason</option>@foreach ($reasons as $code => $says)<option value="{{ $code }}" @selected($query->of('reason') === (string) $code)>{{ $says }}</option>@endforeach</select></label>
                <label><span class="sm">Written by</span><select class="input" name="by"><option value="">Anybody</option>@foreach (['rule' => 'a rule', 'staff' => 'one of us', 'words' => 'Linnet, to stop, start, help', 'notice' => 'a rule, to us'] as $by => $word)<option value="{{ $by }}" @selected($query->of('by') === $by)>{{ $word }}</option>@endforeach</select></label>
                <label><span class="sm">Kind</span><select class="input" name="kind"><option value="">Either</option><option value="service" @selected($query->of('kind') === 'service')>service</option><option value="marketing" @selected($query->of('kind') === 'marketing')>marketing</option></select></label>
                <label><span class="sm">Rule’s version</span><input class="input w-20" type="number" min="1" name="version" value="{{ $query->of('version') }}"></label>
                <label><span class="sm">Country, two letters</span><input class="input w-20" name="country" maxlength="2" value="{{ $query->of('country') }}" @error('country') aria-invalid="true" @enderror></label>
                <label><span class="sm">Price at least ({{ \App\Models\Business::current()->currency() }})</span><input class="input w-24" inputmode="decimal" name="least" value="{{ $query->of('least') }}" @error('least') aria-invalid="true" @enderror></label>
            </div></details>
        @foreach (['run', 'step', 'wording', 'person', 'record'] as $narrow)@if ($query->of($narrow) !== '')<input type="hidden" name="{{ $narrow }}" value="{{ $query->of($narrow) }}">@endif @endforeach
    </form>
    @foreach (['country', 'least', 'version', 'from', 'until'] as $field)<x-error :name="$field" />@endforeach
    <p class="mb-1 flex gap-4 flex-wrap items-baseline"><span class="sm soft" hx-get="{{ route('sent.totals', $query->asked) }}" hx-trigger="load" aria-live="polite">Counting…</span>@if (array_intersect_key($query->asked, ['run' => 1, 'wording' => 1, 'person' => 1, 'record' => 1]) !== [])<span class="sm">Only the texts of {{ match (true) { $query->of('run') !== '' => 'one run', $query->of('wording') !== '' => 'one wording', $query->of('record') !== '' => 'one record', default => 'one person' } }}.</span>@endif<x-export />@if ($query->isNarrowed())<a class="link sm" href="{{ route('sent.index') }}">Show all</a>
            @can('administer')<details><summary class="link sm">Keep this list…</summary><form class="flex gap-2 items-end mt-1" method="post" action="{{ route('sent.save') }}">@csrf @foreach ($query->asked as $what => $value)<input type="hidden" name="{{ $what }}" value="{{ $value }}">@endforeach<label><span class="label">Called</span><input class="input w-44" name="name" maxlength="80" required></label><button class="btn small">Keep it</button></form></details>@endcan @endif</p>
    <x-error name="name" />
    @if ($texts->isEmpty())
        <x-empty>No texts here. Texts appear as rules send them; <a class="link" href="{{ route('rules.index') }}">look at the rules</a>.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">When</th><th scope="col">To</th><th scope="col">Text</th><th scope="col">What became of it</th><th scope="col" class="n">Parts</th><th scope="col" class="n">Price</th></tr></thead>
            <tbody>
            @foreach ($texts as $text)
                <tr>
                    <td class="whitespace-nowrap">@time($text->at, 'D j M H:i')</td>
                    <td class="whitespace-nowrap">@if ($text->colleague()) {{ $text->colleague() }}<br><span class="soft sm">about</span> @endif <a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a><br><span class="soft sm">from the {{ $text->line->name }}</span></td>
                    <td class="max-w-md">{{ $text->body !== '' ? Str::limit($text->body, 150) : '(no words yet)' }}<br><span class="soft sm"><x-by :message="$text" /></span></td>
                    <td class="max-w-60"><a class="link" href="{{ route('messages.show', $text) }}">@state($text)</a><br><x-reason :reason="$text->reason" />
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
