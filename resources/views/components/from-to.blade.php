{{-- Which line a text typed by hand leaves from, and which of their numbers it goes to. --}}
@use(Linnet\Core\Number\Numbers)
@props(['page'])
@php
    $from = (int) old('line', $page->line?->id);
    $to = old('number', $page->receiver->number);
@endphp
<div {{ $attributes->class('flex gap-4 flex-wrap') }}>
    <div class="field"><label class="label" for="line">From</label>
        <select class="input" id="line" name="line" @error('line') aria-invalid="true" aria-describedby="line-error" @enderror>
            @foreach ($page->lines as $line)<option value="{{ $line->id }}" @selected($from === $line->id)>{{ ucfirst($line->name) }}{{ $line->isOneWay() ? ' (cannot be answered)' : '' }}{{ $line->power->value === 'on' ? '' : ' (paused)' }}</option>@endforeach
        </select><x-error name="line" /></div>
    <div class="field"><label class="label" for="number">To</label>
        <select class="input" id="number" name="number" @error('number') aria-invalid="true" aria-describedby="number-error" @enderror>
            @foreach ($page->numbers() as $number)<option value="{{ $number->e164 }}" @selected($to === $number->e164)>{{ Numbers::pretty($number->e164) }}{{ $number->kind->takesTexts() ? '' : ' (takes no texts)' }}{{ $number->alive === false ? ' (nobody has it)' : '' }}{{ in_array($number->e164, $page->stopped, true) ? ' (has said stop)' : '' }}</option>@endforeach
        </select><x-error name="number" /></div>
</div>
