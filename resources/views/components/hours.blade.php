@props(['name', 'hours', 'mine', 'locked' => false])
{{-- A week's hours, drawn: each end is pulled, or moved by the arrow keys. "mine" says that what was sent in last was this table. --}}
@php($wrong = array_filter([...array_keys(\App\Pages\HoursForm::DAYS), 'closed'], fn (string $place): bool => $errors->has("$name-$place")) !== [])
<div class="week-hours" x-data="weekHours" x-on:input="changed" x-on:click="clicked" x-on:keydown="pressed" x-on:pointerdown="taken" x-on:pointermove="pulled">
    <p class="sm mb-2" x-ref="says" aria-live="polite"></p>
    @foreach (\App\Pages\HoursForm::DAYS as $day => $called)
        <div class="day-hours" data-day="{{ $called }}">
            <label class="flex gap-2 items-center"><input type="checkbox" class="tick" data-open @disabled($locked)> {{ $called }}</label>
            <div class="track">@foreach (['from' => 'begins', 'to' => 'ends'] as $end => $word)<button type="button" role="slider" data-end="{{ $end }}" aria-label="{{ $called }} {{ $word }}" aria-valuemin="0" aria-valuemax="1440" aria-valuenow="0" @disabled($locked)></button>@endforeach</div>
            <span class="sm soft"><span data-says></span>@foreach (array_slice($hours->week[$day] ?? [], 1) as [$from, $to]) and {{ $from }} to {{ $to }}@endforeach</span>
        </div>
    @endforeach
    <div class="flex gap-2 items-end flex-wrap mt-3">
        <label><span class="label">A day closed</span><input class="input" type="date" x-ref="day" @disabled($locked)></label>
        <button class="btn small" type="button" data-add @disabled($locked)>Close it</button>
        <span class="flex gap-2 flex-wrap" x-ref="closed"></span>
    </div>
    <details class="my-2" @if ($wrong) open @endif><summary class="link sm">Type them instead</summary>
        @foreach (\App\Pages\HoursForm::DAYS as $day => $called)
            @php($stretch = $mine ? [old("week.$day.from"), old("week.$day.to")] : array_map(strval(...), $hours->week[$day][0] ?? ['', '']))
            <div class="flex gap-2 items-center mb-1 flex-wrap">
                <span class="w-24">{{ $called }}</span>
                <input class="input" type="time" name="week[{{ $day }}][from]" value="{{ $stretch[0] }}" aria-label="{{ $called }}, from" @disabled($locked) @error("$name-$day") aria-invalid="true" @enderror>
                <span>to</span>
                <input class="input" type="time" name="week[{{ $day }}][to]" value="{{ $stretch[1] }}" aria-label="{{ $called }}, to" @disabled($locked) @error("$name-$day") aria-invalid="true" @enderror>
                <x-error :name="$name.'-'.$day" />
            </div>
        @endforeach
        <label class="field mt-3"><span>Days closed, each as 2026-12-25</span>
            <input class="input w-full" name="closed" value="{{ $mine ? old('closed') : implode(', ', $hours->closed) }}" @disabled($locked)>
            <x-error :name="$name.'-closed'" /></label>
    </details>
</div>
