<x-page title="Sources">
    <div class="head"><div><h1>Sources</h1><p class="soft">What brings records in. Every delivery is kept as it came, good or refused.</p></div></div>
    <div class="table-wrap mt-4"><table class="table">
        <thead><tr><th scope="col">Source</th><th scope="col">Last delivery</th>@foreach ($states as $state)<th scope="col" class="n">{{ ucfirst($state->word()) }}</th>@endforeach</tr></thead>
        <tbody>
        @foreach ($sources as $source)
            <tr>
                <td><a class="link" href="{{ route('sources.show', $source) }}">{{ $source->name }}</a><br><span class="soft sm">posts to {{ route('in.source', $source) }}</span></td>
                <td>@if ($last = $newest[$source->id] ?? null)<x-time :at="$last->at" format="D j M H:i" /><br><x-tone :tone="$last->state->tone()">{{ $last->state->word() }}</x-tone>@else never @endif</td>
                @foreach ($states as $state)<td class="n"><a class="link" href="{{ route('sources.show', ['source' => $source, 'state' => $state->value]) }}">{{ $counts[$source->id][$state->value] ?? 0 }}</a></td>@endforeach
            </tr>
        @endforeach
        </tbody>
    </table></div>
</x-page>
