<x-page :title="$import->name">
    <div class="crumb"><a class="link" href="{{ route('sources.index') }}">Sources</a> / @if ($import->source)<a class="link" href="{{ route('sources.show', $import->source) }}">{{ $import->source->name }}</a>@else<a class="link" href="{{ route('imports.index') }}">Files</a>@endif /</div>
    <h1>{{ $import->name }}</h1>
    @fragment('progress')
    <div id="progress" class="mt-2" aria-live="polite" @if ($import->state->isUnderWay()) hx-get="{{ route('imports.show', $import) }}" hx-trigger="every 1s" hx-target="#progress" hx-swap="outerHTML" @endif>
        <p><x-tone :tone="$import->state->tone()">{{ $import->state->word() }}</x-tone> <x-reason :reason="$import->problem" />
            <span class="soft">{{ $import->state->isUnderWay() ? 'since' : 'on' }} @time($import->ended_at ?? $import->began_at ?? $import->at, 'D j M H:i')@if ($import->staff), by {{ $import->staff->name }}@endif.@if ($import->began_at) Rules {{ $import->silent ? 'do not act on it' : 'act on it' }}.@endif</span></p>
        @if ($import->rows > 0 && $import->mapping)
            <progress class="meter mt-2" max="{{ $import->rows }}" value="{{ $import->done }}" aria-label="Rows dealt with"></progress>
            <p>{{ number_format($import->done) }} of {{ number_format($import->rows) }} rows{{ $import->state->value !== 'running' || $import->secondsLeft() === null ? '' : ', about '.($import->secondsLeft() < 90 ? $import->secondsLeft().' seconds' : ceil($import->secondsLeft() / 60).' minutes').' to go' }}</p>
            <dl class="facts !grid-cols-[130px_1fr] mt-3 max-w-sm">
                <dt>Added</dt><dd>{{ number_format($import->added) }}</dd>
                <dt>Changed</dt><dd>{{ number_format($import->changed) }}</dd>
                <dt>Nothing new</dt><dd>{{ number_format($import->same) }}</dd>
                <dt>Left out</dt><dd>{{ number_format($import->left_out) }}</dd>
                <dt>Refused</dt><dd>{{ number_format($import->refused) }}</dd>
            </dl>
            @if ($import->state->value === 'taking_back')<p class="soft sm mt-2">{{ number_format(\Illuminate\Support\Facades\DB::table('changes')->where('import_id', $import->id)->when($import->undone_to !== null, fn ($left) => $left->where('id', '<', $import->undone_to))->count()) }} changes are left to undo. It goes on if you leave this page.</p>@endif
            @if ($import->state->value === 'taken_back')<p class="soft sm mt-2">Everything is as it was before the file came.</p>@endif
            @if ($import->state->value === 'running')<p class="soft sm mt-2">It goes on if you leave this page.</p>@endif
        @elseif ($import->state->value === 'reading')
            <p class="soft sm mt-2">It is large, so this takes a little. Then you see its first rows and say what its columns mean. It goes on if you leave this page.</p>
        @endif
        @can('administer')
            <div class="flex gap-3 flex-wrap mt-4 items-center">
                @if ($import->state->value === 'running')
                    <form method="post" action="{{ route('imports.stop', $import) }}">@csrf<button class="btn">Stop</button></form>
                @elseif ($import->state->value === 'stopped')
                    <form method="post" action="{{ route('imports.go-on', $import) }}">@csrf<button class="btn go">Go on</button></form>
                @elseif (in_array($import->state->value, ['reading', 'failed', 'to_map'], true) && ! $import->source_id)
                    <form method="post" action="{{ route('imports.destroy', $import) }}">@csrf @method('delete')<button class="btn">Put the file away</button></form>
                @endif
                @if (in_array($import->state->value, ['done', 'stopped'], true))
                    @if ($obstacle)<span class="soft">{{ \App\Sentences\Sentence::of($obstacle) }}</span>
                    @elseif ($import->added + $import->changed > 0)
                        <details class="word"><summary class="btn">Take it back…</summary>
                            <form class="change" method="post" action="{{ route('imports.take-back', $import) }}">@csrf<p class="mb-2">{{ number_format($import->added) }} records or people are taken out again, and {{ number_format($import->changed) }} become what they were.</p><button class="btn go small">Take the file back</button></form></details>
                    @endif
                    @if ($type && ! $type->isPeople() && $import->added + $import->changed > 0)<a class="link" href="{{ route('records.index', $type) }}">See the {{ mb_strtolower($type->plural) }}</a>@endif
                @endif
            </div>
        @endcan
    </div>
    @endfragment
    @if ($import->refused > 0)
        <div class="head mt-7"><h2>Refused rows</h2>
            @can('administer')<div class="acts"><a class="btn small" href="{{ route('imports.refused', $import) }}">Get them as a file</a></div>@endcan</div>
        <p class="soft sm mb-2">Mend them in the file, in their own columns, and send it in again: it is read the same way.</p>
        @can('administer')
            <form class="flex gap-3 flex-wrap items-end mb-3" method="post" action="{{ route('imports.store') }}" enctype="multipart/form-data" aria-label="Send the mended rows in">
                @csrf<input type="hidden" name="type" value="{{ $import->mapping['type'] ?? '' }}"><input type="hidden" name="like" value="{{ $import->id }}">
                <label><span class="label">The mended file</span><input class="input" type="file" name="file" accept=".csv,.txt,.tsv,.xlsx"></label><button class="btn small">Send it in</button><x-error name="file" />
            </form>
        @endcan
        <form class="filters" method="get" aria-label="Which rows"><label><span class="sm">Order</span><select class="input" name="order"><option value="first">First first</option><option value="last" @selected($asked['order'] === 'last')>Last first</option></select></label><button class="btn">Show</button></form>
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col" class="n !text-left">Row</th><th scope="col">Why not</th><th scope="col">The row</th></tr></thead>
            <tbody>@foreach ($refused as $row)<tr><td>{{ $row->row }}</td><td class="max-w-96">{{ \App\Sentences\Sentence::of($row->reason) }}</td><td class="soft sm">{{ Str::limit(implode(' · ', array_filter($row->cells, fn ($cell) => trim($cell) !== '')), 160) }}</td></tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$refused" />
    @endif
</x-page>
