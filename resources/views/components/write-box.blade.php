@props(['person', 'receiver', 'time', 'rows' => 2])
@php($theirs = $receiver->zone !== $business->zone)
@php($stopped = $receiver->optedOut)
<div class="write">
    <label class="sr-only" for="text">Write to {{ $receiver->who }}</label>
    <textarea id="text" name="text" rows="{{ $rows }}" placeholder="Write to {{ $receiver->who }}" @disabled($stopped)
        hx-post="{{ route('measure') }}" hx-trigger="input changed delay:200ms" hx-target="#measure" @error('text') aria-invalid="true" aria-describedby="text-error" @enderror>{{ old('text') }}</textarea>
    <x-error name="text" />
    <div class="foot">
        <span id="measure" class="soft sm">@if ($stopped){{ $receiver->who }} has said stop, so nothing can be sent.@endif</span>
        <details class="then" @if ($errors->has('at')) open @endif>
            <summary class="link sm">At a moment…</summary>
            <div class="flex gap-2 items-end flex-wrap mt-1">
                <label><span class="label">{{ $theirs ? "In {$receiver->who}’s day (".\App\Clock\TimeFormatter::place($receiver->zone).')' : 'When' }}</span>
                    <input class="input" type="datetime-local" name="at" value="{{ old('at', $time->nextHour()) }}" @disabled($stopped) @if ($theirs) hx-get="{{ route('people.moment', $person) }}" hx-trigger="load, input changed delay:200ms" hx-target="next .moment" @endif @error('at') aria-invalid="true" aria-describedby="at-error" @enderror></label>
                <button class="btn" name="when" value="later" @disabled($stopped)>Send it then</button>
                <span class="moment soft sm" aria-live="polite"></span>
            </div>
            <x-error name="at" />
        </details>
        <button class="btn go ml-auto" name="when" value="now" @disabled($stopped)><x-icon name="send" />Send</button>
    </div>
</div>
