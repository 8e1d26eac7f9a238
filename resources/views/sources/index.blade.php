<x-page title="Sources">
    <div class="head">
        <div><h1>Sources</h1><p class="soft">What brings records in. Every delivery is kept as it came, good or refused.</p></div>
        @can('administer')
            <div class="acts flex-wrap"><a class="btn" href="{{ route('imports.index') }}">Take in a file</a><a class="btn go" href="#new">Connect a source</a></div>
        @endcan
    </div>
    <form class="filters" method="get" aria-label="Which sources">
        <label><span class="sm">Name</span><input class="input w-48" type="search" name="find" value="{{ $asked['find'] }}"></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="name">By name</option><option value="newest" @selected($asked['order'] === 'newest')>Newest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    <p class="mb-1"><x-export /></p>
    @if ($sources->isEmpty())
        <x-empty>No source {{ $asked['find'] ? 'by that name' : 'yet. Connect one below, and records will come in by themselves' }}.</x-empty>
    @else
    <div class="table-wrap"><table class="table">
        <thead><tr><th scope="col">Source</th><th scope="col">Last delivery</th>@foreach ($states as $state)<th scope="col" class="n">{{ ucfirst($state->word()) }}</th>@endforeach</tr></thead>
        <tbody>
        @foreach ($sources as $source)
            <tr>
                <td><a class="link" href="{{ route('sources.show', $source) }}">{{ $source->name }}</a>
                    @if ($source->power !== \Linnet\Core\Record\ActivationState::On)<x-tone tone="held" icon="pause" class="ml-2">paused</x-tone>@endif
                    @if ($source->mapping === null)<x-tone tone="held" class="ml-2">nobody has said what it means</x-tone>@endif
                    @if ($source->problem)<x-tone tone="bad" class="ml-2">cannot be read</x-tone>@endif
                    <br><span class="soft sm">{{ $source->kind->value === 'feed' ? 'posts to us' : "a file, looked at every $source->every_minutes minutes" }}</span></td>
                <td class="whitespace-nowrap">@if ($last = $newest[$source->id] ?? null)@time($last->at, 'D j M H:i')<br><x-tone :tone="$last->state->tone()">{{ $last->state->word() }}</x-tone>@elseif ($source->looked_at)@time($source->looked_at, 'D j M H:i')<br><span class="soft sm">looked at</span>@else never @endif</td>
                @foreach ($states as $state)<td class="n">@if ($source->kind->value === 'feed')<a class="link" href="{{ route('sources.show', ['source' => $source, 'state' => $state->value]) }}">{{ $counts[$source->id][$state->value] ?? 0 }}</a>@else – @endif</td>@endforeach
            </tr>
        @endforeach
        </tbody>
    </table></div>
    <x-pages :list="$sources" />
    @endif
    @if ($imports->isNotEmpty())
        <h2 class="mt-8 mb-1">Files taken in lately</h2>
        <div class="table-wrap"><table class="table">
            <tbody>
            @foreach ($imports as $import)
                <tr><td><a class="link" href="{{ route('imports.show', $import) }}">{{ $import->name }}</a></td><td class="whitespace-nowrap">@time($import->at, 'D j M H:i')</td><td><x-tone :tone="$import->state->tone()">{{ $import->state->word() }}</x-tone></td><td class="n">{{ number_format($import->rows) }} rows</td></tr>
            @endforeach
            </tbody>
        </table></div>
        <p class="mt-1"><a class="link sm" href="{{ route('imports.index') }}">All files</a></p>
    @endif
    @can('administer')
        <section id="new" class="mt-8 two">
            <form class="panel" method="post" action="{{ route('sources.store') }}" aria-label="Connect a system that posts">
                @csrf
                <h2 class="mb-1">Connect a system that posts to us</h2>
                <p class="soft sm mb-3">You get an address and a secret for it. What it sends is kept; then you click its values onto our fields.</p>
                <input type="hidden" name="kind" value="feed">
                <label class="field"><span>What you call it</span><input class="input w-full" name="name" value="{{ old('kind') === 'feed' ? old('name') : '' }}" placeholder="Rental desk">@if (old('kind') === 'feed')<x-error name="name" />@endif</label>
                <label class="field"><span>What it sends</span><select class="input" name="type">@foreach ($types as $type)<option value="{{ $type->key }}" @selected(old('kind') === 'feed' && old('type') === $type->key)>{{ $type->name }}</option>@endforeach</select></label>
                <button class="btn go">Make its address</button>
            </form>
            <form class="panel" method="post" action="{{ route('sources.store') }}" aria-label="Watch a file at an address">
                @csrf
                <h2 class="mb-1">Watch a file at an address</h2>
                <p class="soft sm mb-3">A table (CSV, XLSX) or a calendar (iCalendar). It is looked at again and again; only new or changed rows are taken.</p>
                <input type="hidden" name="kind" value="watched">
                <label class="field"><span>What you call it</span><input class="input w-full" name="name" value="{{ old('kind') === 'watched' ? old('name') : '' }}">@if (old('kind') === 'watched')<x-error name="name" />@endif</label>
                <label class="field"><span>Its address</span><input class="input w-full" name="address" value="{{ old('address') }}" placeholder="https://"><x-error name="address" /></label>
                <label class="field"><span>What its rows are</span><select class="input" name="type">@foreach ($types as $type)<option value="{{ $type->key }}" @selected(old('kind') === 'watched' && old('type') === $type->key)>{{ $type->name }}</option>@endforeach</select></label>
                <label class="field"><span>Minutes between looks</span><input class="input w-24" type="number" name="every_minutes" min="5" max="10080" value="{{ old('every_minutes', 60) }}"><x-error name="every_minutes" /></label>
                <button class="btn">Watch it</button>
            </form>
        </section>
    @endcan
</x-page>
