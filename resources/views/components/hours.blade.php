@props(['name', 'hours', 'mine', 'locked' => false])
{{-- A week's hours to fill in. "mine" says that what was sent in last was this table. --}}
@foreach (\App\Pages\HoursForm::DAYS as $day => $called)
    @php($stretch = $mine ? [old("week.$day.from"), old("week.$day.to")] : array_map(strval(...), $hours->week[$day][0] ?? ['', '']))
    <div class="flex gap-2 items-center mb-1 flex-wrap">
        <span class="w-24">{{ $called }}</span>
        <input class="input" type="time" name="week[{{ $day }}][from]" value="{{ $stretch[0] }}" aria-label="{{ $called }}, from" @disabled($locked) @error("$name-$day") aria-invalid="true" @enderror>
        <span>to</span>
        <input class="input" type="time" name="week[{{ $day }}][to]" value="{{ $stretch[1] }}" aria-label="{{ $called }}, to" @disabled($locked) @error("$name-$day") aria-invalid="true" @enderror>
        @foreach (array_slice($hours->week[$day] ?? [], 1) as [$from, $to])<span class="soft">and {{ $from }} to {{ $to }}</span>@endforeach
        <x-error :name="$name.'-'.$day" />
    </div>
@endforeach
<label class="field mt-3"><span>Days closed, each as 2026-12-25</span>
    <input class="input w-full" name="closed" value="{{ $mine ? old('closed') : implode(', ', $hours->closed) }}" @disabled($locked)>
    <x-error :name="$name.'-closed'" /></label>
