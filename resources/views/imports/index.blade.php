<x-page title="Files">
    <div class="crumb"><a class="link" href="{{ route('sources.index') }}">Sources</a> /</div>
    <h1>Files</h1>
    <p class="soft">Tables, contacts and calendars that were taken in, and can be taken back while nothing has acted on them.</p>
    @can('administer')
        <form class="panel mt-4 mb-4" method="post" action="{{ route('imports.store') }}" enctype="multipart/form-data" aria-label="Take in a file">
            @csrf
            <div class="flex gap-4 flex-wrap items-end">
                <label><span class="label">The file: CSV, XLSX, vCard or iCalendar, up to 50 MB</span><input class="input" type="file" name="file" accept=".csv,.txt,.tsv,.xlsx,.vcf,.ics"></label>
                <label><span class="label">What its rows are</span><select class="input" name="type">@foreach ($types as $type)<option value="{{ $type->key }}" @selected(old('type', request('type')) === $type->key)>{{ $type->plural }}</option>@endforeach</select></label>
                <button class="btn go">Look at it</button>
            </div>
            <x-error name="file" />
            <p class="soft sm mt-2">Nothing is changed yet: first you see what its columns mean and how its first rows will be.</p>
        </form>
    @endcan
    <form class="filters" method="get" aria-label="Which files">
        <label><span class="sm">What became of it</span><select class="input" name="state"><option value="">Everything</option>@foreach ($states as $state)<option value="{{ $state->value }}" @selected($asked['state'] === $state->value)>{{ $state->word() }}</option>@endforeach</select></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected($asked['order'] === 'oldest')>Oldest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    <p class="mb-1"><x-export /></p>
    @if ($imports->isEmpty())
        <x-empty>No files here{{ $asked['state'] ? ' of that kind' : ' yet' }}.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">File</th><th scope="col">When</th><th scope="col">What became of it</th><th scope="col" class="n">Rows</th><th scope="col" class="n">Added</th><th scope="col" class="n">Changed</th><th scope="col" class="n">Refused</th></tr></thead>
            <tbody>
            @foreach ($imports as $import)
                <tr>
                    <td><a class="link" href="{{ route('imports.show', $import) }}">{{ $import->name }}</a>@if ($import->staff)<br><span class="soft sm">by {{ $import->staff->name }}</span>@endif</td>
                    <td class="whitespace-nowrap">@time($import->at, 'D j M H:i')</td>
                    <td><x-tone :tone="$import->state->tone()">{{ $import->state->word() }}</x-tone><br><x-reason :reason="$import->problem" /></td>
                    <td class="n">{{ number_format($import->rows) }}</td><td class="n">{{ number_format($import->added) }}</td><td class="n">{{ number_format($import->changed) }}</td><td class="n">{{ number_format($import->refused) }}</td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        <x-pages :list="$imports" />
    @endif
</x-page>
