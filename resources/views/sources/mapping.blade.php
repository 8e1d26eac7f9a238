<x-page :title="$source->name" wide>
    <div class="main">
    <x-source-head :source="$source" />
    <div class="flex gap-4 flex-wrap items-end mb-3">
        <form method="post" action="{{ route('sources.mapping.type', $source) }}" class="flex gap-2 items-end">@csrf @method('put')
            <label><span class="label">What it sends</span><select class="input" name="type">@foreach ($types as $type)<option value="{{ $type->key }}" @selected($type->key === $page->mapping->type)>{{ $type->name }}</option>@endforeach</select></label>
            <button class="btn small">Change</button>
        </form>
        @if ($samples->isNotEmpty())
            <form method="post" action="{{ route('sources.mapping.sample', $source) }}" class="flex gap-2 items-end">@csrf @method('put')
                <label><span class="label">Sample</span><select class="input" name="delivery">@foreach ($samples as $sample)<option value="{{ $sample->id }}" @selected($sample->id === $source->sample_id)>{{ $sample->at->setTimezone(new DateTimeZone(\App\Models\Business::current()->zone))->format('D j M H:i:s') }}, {{ $sample->state->word() }}</option>@endforeach</select></label>
                <button class="btn small">Show</button>
            </form>
        @endif
    </div>
    @fragment('mapping')
    <div id="mapping">
        <x-mapping :page="$page">
            @if ($source->draft !== null)
                <div class="note mb-3 flex gap-3 flex-wrap items-center"><span>{{ $source->mapping === null ? 'Not in use yet: what comes waits.' : 'Changes not in use yet: what comes is read as before.' }}</span>
                    <form method="post" action="{{ route('sources.mapping.publish', $source) }}">@csrf<button class="btn go small">Read it so from now on</button></form>
                    @if ($source->mapping !== null)<form method="post" action="{{ route('sources.mapping.destroy', $source) }}">@csrf @method('delete')<button class="btn small">Drop the changes</button></form>@endif
                </div>
            @endif
        </x-mapping>
    </div>
    @endfragment
    </div>
</x-page>
