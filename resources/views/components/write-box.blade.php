@props(['person', 'receiver', 'time', 'rows' => 2, 'record' => null])
@php($theirs = $receiver->zone !== $business->zone)
@php($stopped = $receiver->optedOut)
<div class="write">
    @include('partials.write-text', ['value' => old('text'), 'wrong' => null, 'rows' => $rows, 'stopped' => $stopped, 'who' => $receiver->who])
    <div class="foot">
        <span id="measure" class="soft sm">@if ($stopped){{ $receiver->who }} has said stop, so nothing can be sent.@endif</span>
        @unless ($stopped)
            <details class="then">
                <summary class="link sm">Kept texts…</summary>
                <input class="input w-60 mt-1" type="search" name="kept" autocomplete="off" placeholder="Find one by typing" aria-label="Find a kept text" hx-get="{{ route('kept-texts.offered', array_filter(['person' => $person, 'record' => $record])) }}" hx-trigger="load, input changed delay:200ms" hx-include="[name=line]" hx-target="next .kept-list" hx-swap="innerHTML">
                <div class="kept-list mt-1"></div>
            </details>
        @endunless
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
