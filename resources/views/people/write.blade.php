<x-page title="Write to {{ $page->person->name() }}">
    <div class="crumb"><a class="link" href="{{ route('people.show', $page->person) }}">{{ $page->person->name() }}</a> /</div>
    <h1>Write to {{ $page->receiver->who }}</h1>
    @if ($record)<p class="soft">About @can('view')<a class="link" href="{{ route('records.show', [$record->type, $record]) }}">{{ $record->called() }}</a>@else{{ $record->called() }}@endcan, {{ mb_strtolower($record->type->name) }}: kept texts that speak of one speak of this one.</p>@endif
    @if ($page->numbers() === [])
        <x-empty>{{ $page->receiver->who }} has no number, so no text can reach them.@can('view') <a class="link" href="{{ route('people.edit', $page->person) }}">Add one</a>.@endcan</x-empty>
    @else
        <form method="post" enctype="multipart/form-data" action="{{ route('people.texts.store', $page->person->id) }}" class="max-w-2xl mt-3">
            @csrf
            <x-from-to class="mb-3" :page="$page" />
            @if ($record)<input type="hidden" name="record" value="{{ $record->id }}">@endif<x-write-box :page="$page" :rows="4" :record="$record?->id" :about="$record" />
            <p class="soft sm mt-2">A text typed by hand goes at any hour at which its line sends. One who has said stop never gets it.</p>
        </form>
    @endif
</x-page>
