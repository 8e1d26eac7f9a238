<x-page :title="$source->name">
    <x-source-head :source="$source" />
    @if (session('secret'))<x-secret :secret="session('secret')" :source="$source" />@endif
    @if ($source->mapping === null)
        <p class="note mb-3">{{ $source->kind->value === 'feed' ? 'What comes is kept, and waits until you have said what its values mean.' : 'Its rows wait until you have said what they mean.' }} @can('administer')<a class="link" href="{{ route('sources.mapping', $source) }}">Say what they mean</a>@endcan</p>
    @endif
    @if ($source->kind->value === 'watched')
        <p class="soft">{{ $source->address }}, every {{ $source->every_minutes }} minutes. @if ($source->looked_at)Looked at @time($source->looked_at, 'D j M H:i')@if ($source->look_at), next @time($source->look_at, 'D j M H:i')@endif.@endif</p>
        @if ($source->problem)<p class="mt-2"><x-tone tone="bad">{{ \App\Sentences\Sentence::of($source->problem) }}</x-tone></p>@endif
        <h2 class="mt-5 mb-1">What was taken from it</h2>
        @if ($imports->isEmpty())
            <x-empty>Nothing yet. Each look that finds new or changed rows will stand here.</x-empty>
        @else
            <div class="table-wrap"><table class="table">
                <thead><tr><th scope="col">When</th><th scope="col">What became of it</th><th scope="col" class="n">Rows</th><th scope="col" class="n">Added</th><th scope="col" class="n">Changed</th><th scope="col" class="n">Refused</th></tr></thead>
                <tbody>
                @foreach ($imports as $import)
                    <tr><td><a class="link" href="{{ route('imports.show', $import) }}">@time($import->at, 'D j M H:i')</a></td><td><x-tone :tone="$import->state->tone()">{{ $import->state->word() }}</x-tone></td><td class="n">{{ number_format($import->rows) }}</td><td class="n">{{ $import->added }}</td><td class="n">{{ $import->changed }}</td><td class="n">{{ $import->refused }}</td></tr>
                @endforeach
                </tbody>
            </table></div>
        @endif
    @else
        @can('administer')
            @if ($source->mapping !== null && array_sum($waiting) > 0)
                <div class="flex gap-2 flex-wrap items-center mb-2">
                    @foreach (['refused' => '{1} Try the refused one again|[2,*] Try the :count refused again', 'kept' => '{1} Take the one that waits|[2,*] Take the :count that wait'] as $state => $says)
                        @if (($waiting[$state] ?? 0) > 0)
                            <form method="post" action="{{ route('deliveries.replay-many', $source) }}">@csrf<button class="btn small" name="which" value="{{ $state }}">{{ trans_choice($says, $waiting[$state]) }}</button></form>
                        @endif
                    @endforeach
                </div>
            @endif
        @endcan
        @if ($replay)
            <p class="sm soft mb-1" @if ($replay->state === 'running') hx-get="{{ url()->full() }}" hx-trigger="every 2s" hx-select="#replay" hx-target="#replay" hx-swap="outerHTML" @endif id="replay">{{ $replay->state === 'running' ? 'Being taken again' : 'Taken again' }} on @time($replay->at, 'D j M H:i'): {{ $replay->done }} of {{ $replay->total }}{{ $replay->refused ? ", $replay->refused refused" : '' }}.</p>
        @endif
        <form class="filters" method="get" aria-label="Which deliveries">
            <label><span class="sm">What became of it</span><select class="input" name="state"><option value="">Everything</option>@foreach ($states as $state)<option value="{{ $state->value }}" @selected($asked['state'] === $state->value)>{{ $state->word() }}</option>@endforeach</select></label>
            <label><span class="sm">Has in it</span><input class="input w-40" type="search" name="find" value="{{ $asked['find'] }}"></label>
            <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected($asked['order'] === 'oldest')>Oldest first</option></select></label>
            <button class="btn">Show</button>
        </form>
        <p class="mb-1"><x-export /></p>
        @if ($kept && $kept->many > 0)
            <p class="soft sm mb-2">Deliveries are kept for {{ $source->keep_days }} days, and {{ number_format($source->keep_megabytes) }} MB of them at most; now there {{ $kept->many == 1 ? 'is one' : 'are '.number_format($kept->many) }}, together {{ \App\Clock\TimeFormatter::bytes((int) $kept->bytes) }}, the oldest of @time(\Carbon\CarbonImmutable::parse($kept->since), 'j M Y').@if ($source->unproven > 0) {{ number_format($source->unproven) }} more came without its secret; the last {{ \App\Intake\Deliveries::SAMPLES }} at most are kept, cut short.@endif @can('administer')<a class="link" href="{{ route('sources.settings', $source) }}">Change that</a>@endcan</p>
        @endif
        @if ($deliveries->isEmpty())
            <x-empty>No deliveries here{{ $asked['state'] || $asked['find'] ? ' of that kind' : ' yet. Post one to '.route('in.source', ['source' => $source]).' with the secret, and it will stand here' }}.</x-empty>
        @else
            <form method="post" action="{{ route('deliveries.replay-many', $source) }}" id="again">@csrf</form>
            <div class="table-wrap"><table class="table">
                <thead><tr>@can('administer')<th scope="col"><span class="sr-only">Pick</span></th>@endcan<th scope="col">When</th><th scope="col">What became of it</th><th scope="col">What it wrote</th><th scope="col">As it came</th></tr></thead>
                <tbody>
                @foreach ($deliveries as $delivery)
                    <tr>
                        @can('administer')<td class="!pr-2"><input type="checkbox" class="tick" name="picked[]" value="{{ $delivery->id }}" form="again" aria-label="Pick the delivery of {{ $delivery->at->format('H:i:s') }}"></td>@endcan
                        <td class="whitespace-nowrap"><a class="link" href="{{ route('deliveries.show', [$source, $delivery]) }}">@time($delivery->at, 'D j M H:i:s')</a></td>
                        <td class="max-w-80"><x-tone :tone="$delivery->state->tone()">{{ $delivery->state->word() }}</x-tone>@if ($delivery->replayed_at)<span class="soft sm">, taken again</span>@endif<br><x-reason :reason="$delivery->reason" /></td>
                        <td>@if ($delivery->record)<a class="link" href="{{ route('records.show', [$delivery->record->type, $delivery->record]) }}">{{ $delivery->record->called() }}</a>@if ($delivery->record->person)<br><span class="soft sm">of <a class="link" href="{{ route('people.show', $delivery->record->person_id) }}">{{ $delivery->record->person->name() }}</a></span>@else<br><span class="soft sm">nobody known</span>@endif @else – @endif</td>
                        <td class="max-w-60"><code class="sm soft">{{ Str::limit($delivery->is_binary ? '(bytes that are no text)' : (preg_replace('/\s+/', ' ', $delivery->body) ?: '(empty)'), 90) }}</code></td>
                    </tr>
                @endforeach
                </tbody>
            </table></div>
            @can('administer')
                <div class="flex gap-3 flex-wrap items-end mt-3">
                    <button class="btn small" form="again" name="which" value="picked">Take the ticked again</button>
                    <form method="post" action="{{ route('deliveries.replay-many', $source) }}" class="flex gap-2 items-end">@csrf
                        <label><span class="label">All since</span><input class="input" type="date" name="since"></label>
                        <button class="btn small" name="which" value="since">Take them again</button>
                    </form>
                    <x-error name="picked" /><x-error name="since" />
                </div>
            @endcan
            <x-pages :list="$deliveries" />
        @endif
    @endif
</x-page>
