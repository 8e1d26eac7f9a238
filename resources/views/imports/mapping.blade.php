<x-page :title="$import->name" wide>
    <div class="main">
    <div class="crumb"><a class="link" href="{{ route('sources.index') }}">Sources</a> / <a class="link" href="{{ route('imports.index') }}">Files</a> /</div>
    <h1>{{ $import->name }}</h1>
    <p class="soft mb-3">{{ number_format($import->rows) }} {{ $import->rows === 1 ? 'row' : 'rows' }}, read as {{ mb_strtolower($page->type->plural) }}. Nothing is changed yet. @if (! $page->type->isPeople())Put a column into “Their name for it”, and a row that comes again changes the {{ mb_strtolower($page->type->name) }} instead of adding another.@endif</p>
    @fragment('mapping')
    <div id="mapping">
        <x-mapping :page="$page">
            <section class="mb-6" aria-labelledby="preview">
                <h2 id="preview" class="mb-1">The first rows as they will be</h2>
                @if ($preview->headings === [])
                    <p class="soft">No column is put anywhere yet.</p>
                @else
                    <div class="table-wrap" tabindex="0" role="group" aria-labelledby="preview"><table class="table">
                        <thead><tr><th scope="col">Taken?</th>@foreach ($preview->headings as $heading)<th scope="col">{{ $heading }}</th>@endforeach</tr></thead>
                        <tbody>@foreach ($preview->rows as $row)<tr><td class="min-w-56">@if ($row['says'])<x-tone :tone="$row['taken'] ? 'held' : 'bad'" :icon="$row['taken'] ? 'circle-alert' : 'circle-x'" class="!whitespace-normal !items-start"><span class="sm">{{ $row['taken'] ? 'yes, but: ' : 'no: ' }}{{ $row['says'] }}</span></x-tone>@else<x-tone tone="well">yes</x-tone>@endif</td>@foreach ($row['cells'] as $cell)<td @class(['whitespace-nowrap' => mb_strlen($cell) < 24])>{{ $cell === '' ? '–' : $cell }}</td>@endforeach</tr>@endforeach</tbody>
                    </table></div>
                    <form class="flex gap-4 flex-wrap items-center mt-3" method="post" action="{{ route('imports.start', $import) }}">@csrf
                        <button class="btn go">Take in {{ number_format($import->rows) }} {{ $import->rows === 1 ? 'row' : 'rows' }}</button>
                        <label class="flex gap-2 items-center"><input type="checkbox" class="tick" name="rules_act" value="1"> rules may act on them and send texts</label>
                        <button class="link" form="put-away">Put the file away</button>
                    </form>
                @endif
            </section>
        </x-mapping>
    </div>
    @endfragment
    <form id="put-away" method="post" action="{{ route('imports.destroy', $import) }}">@csrf @method('delete')</form>
    </div>
</x-page>
