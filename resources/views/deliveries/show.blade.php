<x-page :title="'A delivery of '.$source->name">
    <x-source-head :source="$source" />
    <p class="mb-4"><x-tone :tone="$delivery->state->tone()"><b class="font-semibold">{{ $delivery->state->word() }}</b></x-tone> @time($delivery->at, 'l j F Y, H:i:s')@if ($delivery->replayed_at), taken again @time($delivery->replayed_at, 'D j M H:i')@endif.
        <x-reason :reason="$delivery->reason" />
        @if ($delivery->record) It wrote <a class="link" href="{{ route('records.show', [$delivery->record->type, $delivery->record]) }}">{{ $delivery->record->called() }}</a>@if ($delivery->record->person) of <a class="link" href="{{ route('people.show', $delivery->record->person_id) }}">{{ $delivery->record->person->name() }}</a>@endif. @endif</p>
    <div class="two">
        <section>
            <h2 class="mb-1">What taking it now would do</h2>
            @if ($type === null)
                <p class="soft">Nobody has said yet what its values mean. @can('administer')<a class="link" href="{{ route('sources.mapping', $source) }}">Say what they mean</a>@endcan</p>
            @elseif ($planned === null)
                <p><x-tone tone="held" icon="circle-alert">Nothing: {{ $says }}</x-tone></p>
            @else
                <p class="soft mb-2">{{ ['added' => 'It would add a '.mb_strtolower($type->name).'.', 'changed' => 'It would change the '.mb_strtolower($type->name).' that is known.', 'same' => 'Nothing would change: all of it is known.', 'late' => 'Nothing would change: newer is known.'][$planned->outcome->value] }}
                    @if ($planned->newPerson) Somebody would be made known. @elseif ($person) It belongs to {{ $person->name() }}. @else It belongs to nobody known. @endif</p>
                @if ($planned->to !== [])
                    <table class="table">
                        <thead><tr><th scope="col">Field</th><th scope="col">Before</th><th scope="col">After</th></tr></thead>
                        <tbody>@foreach ($planned->to as $key => $value)<tr><td>{{ $type->field($key)?->name ?? str_replace('_', ' ', ucfirst($key)) }}</td><td class="soft">{{ $shown->key($key, $planned->from[$key] ?? null) ?: '–' }}</td><td><b class="font-semibold">{{ $shown->key($key, $value) ?: '–' }}</b></td></tr>@endforeach</tbody>
                    </table>
                @endif
            @endif
            @can('administer')
                <div class="flex gap-2 mt-4 flex-wrap">
                    @if ($source->mapping !== null)<form method="post" action="{{ route('deliveries.replay', [$source, $delivery]) }}">@csrf<button class="btn go">Take it again</button></form>@endif
                    @if (! $delivery->is_cut)<form method="post" action="{{ route('sources.mapping.sample', $source) }}">@csrf @method('put')<input type="hidden" name="delivery" value="{{ $delivery->id }}"><button class="btn">Use it as the sample</button></form>@endif
                </div>
                @if ($source->draft !== null && $source->mapping !== null)<p class="soft sm mt-2">Shown with the changes that are not in use yet. Taking it again reads it as before, until they are.</p>@endif
            @endcan
        </section>
        <aside>
            <h2 class="mb-1">As it came</h2>
            @foreach ($delivery->headers ?? [] as $name => $value)<p class="sm soft"><code>{{ $name }}: {{ $value }}</code></p>@endforeach
            <pre class="panel sm whitespace-pre-wrap break-all mt-2" tabindex="0">{{ $laidOut ?? ($delivery->body === '' ? '(empty)' : ($delivery->is_binary ? 'Bytes that are no text, in base64: ' : '').Str::limit($delivery->body, 20000)) }}</pre>
            @if ($laidOut !== null)<details class="mt-1"><summary class="link sm">Letter for letter</summary><pre class="sm whitespace-pre-wrap break-all mt-1" tabindex="0">{{ Str::limit($delivery->body, 20000) }}</pre></details>@endif
            @if ($delivery->is_cut)<p class="soft sm">Only its beginning was kept.</p>@endif
        </aside>
    </div>
</x-page>
