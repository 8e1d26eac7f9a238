@use(Linnet\Core\Number\Numbers)
<x-page title="Write to {{ $page->person->name() }}">
    <div class="crumb"><a class="link" href="{{ route('people.show', $page->person) }}">{{ $page->person->name() }}</a> /</div>
    <h1>Write to {{ $page->receiver->who }}</h1>
    @if ($record)<p class="soft">About @can('view')<a class="link" href="{{ route('records.show', [$record->type, $record]) }}">{{ $record->called() }}</a>@else{{ $record->called() }}@endcan, {{ mb_strtolower($record->type->name) }}: kept texts that speak of one speak of this one.</p>@endif
    @if ($page->numbers() === [])
        <x-empty>{{ $page->receiver->who }} has no number, so no text can reach them.@can('view') <a class="link" href="{{ route('people.edit', $page->person) }}">Add one</a>.@endcan</x-empty>
    @else
        <form method="post" enctype="multipart/form-data" action="{{ route('people.texts.store', $page->person->id) }}" class="max-w-2xl mt-3">
            @csrf
            <div class="flex gap-4 flex-wrap mb-3">
                <div class="field"><label class="label" for="line">From</label>
                    <select class="input" id="line" name="line" @error('line') aria-invalid="true" aria-describedby="line-error" @enderror>
                        @foreach ($page->lines as $line)<option value="{{ $line->id }}" @selected((int) old('line', $page->line?->id) === $line->id)>{{ ucfirst($line->name) }}{{ $line->isOneWay() ? ' (cannot be answered)' : '' }}{{ $line->power->value === 'on' ? '' : ' (paused)' }}</option>@endforeach
                    </select><x-error name="line" /></div>
                <div class="field"><label class="label" for="number">To</label>
                    <select class="input" id="number" name="number" @error('number') aria-invalid="true" aria-describedby="number-error" @enderror>
                        @foreach ($page->numbers() as $number)<option value="{{ $number->e164 }}" @selected(old('number') === $number->e164)>{{ Numbers::pretty($number->e164) }}{{ $number->kind->takesTexts() ? '' : ' (takes no texts)' }}{{ $number->alive === false ? ' (nobody has it)' : '' }}</option>@endforeach
                    </select><x-error name="number" /></div>
            </div>
            @if ($record)<input type="hidden" name="record" value="{{ $record->id }}">@endif<x-write-box :person="$page->person->id" :receiver="$page->receiver" :time="$page->time" :rows="4" :record="$record?->id" :about="$record" />
            <p class="soft sm mt-2">A text typed by hand goes at any hour. One who has said stop never gets it.</p>
        </form>
    @endif
</x-page>
