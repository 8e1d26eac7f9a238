@props(['page', 'rows' => 2, 'record' => null, 'conversation' => null, 'about' => null])
@php
    [$person, $receiver, $time, $stopped] = [$page->person->id, $page->receiver, $page->time, $page->isStopped()];
    // Their numbers may be of several zones: which it is then hangs on what is chosen.
    $zone = $page->isOfOneZone() ? ' ('.\App\Clock\TimeFormatter::place($receiver->zone).')' : '';
    $theirs = $receiver->zone !== $business->zone || $zone === '';
@endphp
<div class="write" x-data="writeBox">
    @include('partials.write-text', ['value' => old('text'), 'wrong' => null, 'rows' => $rows, 'stopped' => $stopped, 'who' => $receiver->who, 'person' => $person, 'record' => $record])
    <div class="foot">
        <span id="measure" class="measure soft sm">@if ($stopped){{ $receiver->who }} has said stop, so nothing can be sent.@endif</span>
        @unless ($stopped)
            <details class="then">
                <summary class="link sm">Kept texts…</summary>
                <input class="input w-60 mt-1" type="search" name="kept" autocomplete="off" placeholder="Find one by typing" aria-label="Find a kept text" hx-get="{{ route('kept-texts.offered', array_filter(['person' => $person, 'record' => $record])) }}" hx-trigger="load, input changed delay:200ms" hx-target="next .kept-list" hx-swap="innerHTML">
                <div class="kept-list mt-1"></div>
            </details>
        @endunless
        @unless ($stopped)
            <details class="then" x-on:toggle="find"><summary class="link sm">Emoji…</summary>
                <input class="input w-48 mt-1" type="search" autocomplete="off" placeholder="Find by name" aria-label="Find an emoji by its name" x-on:input="find">
                <div class="faces mt-1" x-ref="faces" x-on:click="put"></div></details>
            <button class="link sm scripted" type="button" x-on:click="fillIn" title="or type { where it is to stand">Fill in…</button>
            <details class="then" @if ($errors->has('picture') || old('kept_picture')) open @endif><summary class="link sm">Picture…</summary>
                @if (old('kept_picture'))<p class="sm mt-1"><label><input type="checkbox" class="tick" name="kept_picture" value="{{ old('kept_picture') }}" checked> the picture that was chosen</label></p>@endif
                <div x-data="picture" class="mt-1"><label class="sm block">JPEG, PNG or GIF; a large one is made small <input class="input max-w-full" type="file" name="picture" accept="image/jpeg,image/png,image/gif" x-on:change="chosen"></label></div>
                <x-error name="picture" /></details>
        @endunless
        @unless ($stopped)
            <details class="then" @if ($errors->has('hears')) open @endif><summary class="link sm">Replies…</summary>
                @php($hears = old('hears', \App\Conversations\WhoHears::chosen(Auth::user(), $conversation)))
                <label class="sm mt-1 block">A reply is told to <select class="input max-w-full" name="hears">@foreach (\App\Conversations\WhoHears::offered(Auth::user(), $conversation, $about) as $choice => $says)<option value="{{ $choice }}" @selected($hears === $choice)>{{ $says }}</option>@endforeach</select></label><x-error name="hears" />
                <p class="soft sm">From now on, each within their hours, until the conversation is handed over.</p></details>
        @endunless
        <details class="then" @if ($errors->has('at') || $errors->has('anyway')) open @endif>
            <summary class="link sm">At a moment…</summary>
            <div class="flex gap-2 items-end flex-wrap mt-1">
                <label><span class="label">{{ $theirs ? "In {$receiver->who}’s day$zone" : 'When' }}</span>
                    <input class="input" type="datetime-local" name="at" value="{{ old('at', $time->nextHour()) }}" @disabled($stopped) @if ($theirs) hx-get="{{ route('people.moment', $person) }}" hx-trigger="load, input changed delay:200ms, change from:#number" hx-include="[name=number]" hx-target="next .moment" @endif @error('at') aria-invalid="true" aria-describedby="at-error" @enderror></label>
                <button class="btn" name="when" value="later" @disabled($stopped)>Send it then</button>
                <span class="moment soft sm" aria-live="polite"></span>
            </div>
            <x-error name="at" />
            <label class="flex gap-2 items-center mt-2 sm"><input type="checkbox" class="tick" name="anyway" value="1" @checked(old('anyway') === '1') @disabled($stopped)> Even while the line is closed or busy</label><x-error name="anyway" />
        </details>
        <button class="btn go ml-auto" name="when" value="now" data-keep @disabled($stopped)><x-icon name="send" />Send</button>
    </div>
</div>
