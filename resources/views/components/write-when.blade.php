@props(['person', 'receiver', 'time'])
@php($theirs = $receiver->zone !== $business->zone)
@php($stopped = $receiver->optedOut)
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
