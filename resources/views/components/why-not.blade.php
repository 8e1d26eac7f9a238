@props(['person', 'record' => null, 'rules'])
@if ($rules->isNotEmpty())
    <form class="flex gap-2 flex-wrap items-end mt-2" method="get" action="{{ route('people.why-not', $person) }}" aria-label="Why not">
        @if ($record)<input type="hidden" name="record" value="{{ $record->id }}">@endif
        <select class="input max-w-48" name="rule" aria-label="The rule asked about">@foreach ($rules as $rule)<option value="{{ $rule->id }}">{{ $rule->name }}</option>@endforeach</select>
        <button class="btn">Why not?</button>
    </form>
@endif
