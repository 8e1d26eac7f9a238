@props(['person', 'record', 'rules'])
@if ($rules->isNotEmpty())
    <form class="flex gap-2 flex-wrap items-end mt-2" method="post" action="{{ route('people.start', $person) }}" aria-label="Start a rule">@csrf
        @if ($record)<input type="hidden" name="record" value="{{ $record->id }}">@endif
        <select class="input max-w-48" name="rule" aria-label="Which rule" @error('rule') aria-invalid="true" aria-describedby="rule-error" @enderror><option value="">Start a rule…</option>@foreach ($rules as $rule)<option value="{{ $rule->id }}" @selected(old('rule') == $rule->id)>{{ $rule->name }}</option>@endforeach</select>
        <button class="btn">Start it</button>
        <x-error name="rule" />
    </form>
@endif
