<x-page :title="$source->name">
    <div class="crumb"><a class="link" href="{{ route('sources.index') }}">Sources</a> /</div>
    <h1>{{ $source->name }}</h1>
    <p class="soft">Posts JSON to {{ route('in.source', $source) }} with its secret as a bearer token. The secret itself is not kept here, only a fingerprint of it.</p>
    <form class="filters" method="get" aria-label="Which deliveries">
        <label><span class="sm">What became of it</span><select class="input" name="state"><option value="">Everything</option>@foreach ($states as $state)<option value="{{ $state->value }}" @selected($asked['state'] === $state->value)>{{ $state->word() }}</option>@endforeach</select></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected($asked['order'] === 'oldest')>Oldest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    @if ($deliveries->isEmpty())
        <x-empty>No deliveries here{{ $asked['state'] ? ' of that kind' : ' yet' }}.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">When</th><th scope="col">What became of it</th><th scope="col">Whom it concerns</th><th scope="col">As it came</th></tr></thead>
            <tbody>
            @foreach ($deliveries as $delivery)
                <tr>
                    <td class="whitespace-nowrap"><x-time :at="$delivery->at" format="D j M H:i:s" /></td>
                    <td class="max-w-80"><x-tone :tone="$delivery->state->tone()">{{ $delivery->state->word() }}</x-tone><br><x-reason :reason="$delivery->reason" /></td>
                    <td>@if ($delivery->record?->person)<a class="link" href="{{ route('people.show', $delivery->record->person_id) }}">{{ $delivery->record->person->name() }}</a>@elseif ($delivery->record)<span class="soft">nobody known</span>@else – @endif</td>
                    <td><details><summary class="link">Show</summary><pre class="sm whitespace-pre-wrap break-all max-w-md" tabindex="0">{{ $delivery->body === '' ? '(empty)' : Str::limit($delivery->body, 4000) }}</pre></details></td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        <x-pages :list="$deliveries" />
    @endif
</x-page>
