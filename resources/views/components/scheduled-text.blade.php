@props(['text', 'whose' => true, 'dated' => false, 'late' => false])
@php
    $id = $text->scheduled_text_id;
    $by = $text->scheduled?->staff->name ?? 'a colleague';
    $theirs = $text->zone !== $business->zone;
    $mine = (int) old('scheduled') === $id;
    $at = $text->wanted_at->setTimezone($text->zone)->format('Y-m-d\TH:i');
@endphp
<article class="coming-text">
    <p class="top"><b>@if ($text->leaves_at)@time($text->leaves_at, $dated ? 'D j M H:i' : 'H:i')@else not sent @endif</b>
        @if ($late)<x-tone tone="bad">late</x-tone>@endif
        @if ($whose)<a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a>@endif
        <span class="soft sm">written by {{ $by }}@if ($text->line), from the {{ $text->line->name }}@endif{{ $theirs ? ', '.$text->wanted_at->setTimezone($text->zone)->format('D H:i').' for them ('.\App\Clock\TimeFormatter::place($text->zone).')' : '' }}</span></p>
    <p class="words">{{ $text->body }}@if ($text->scheduled?->picture) <span class="soft sm">with a picture</span>@endif</p>
    @if ($text->reason)<p class="sm held">{{ \App\Sentences\Sentence::of($text->reason) }}</p>@endif
    @can('converse')
        <form class="acts sm" method="post" action="{{ route('scheduled-texts.update', $id) }}" aria-label="What becomes of it">
            {{-- The first is what Enter in the field of Move does, and no other. --}}<button class="sr-only" name="do" value="move" tabindex="-1" aria-hidden="true">Move it</button>
            @csrf @method('put')<input type="hidden" name="back" value="{{ request()->getRequestUri() }}"><input type="hidden" name="scheduled" value="{{ $id }}">
            <details @if ($mine && $errors->has('text')) open @endif><summary class="link">Change the words</summary>
                <div class="mt-1"><x-hand-words :id="'scheduled-'.$id" label="The words" :rows="3" :about="['person' => $text->person_id]" :words="(string) ($mine ? old('text', $text->body) : $text->body)" :wrong="$mine ? ($errors->first('text') ?: null) : null" /><button class="btn small mt-1" name="do" value="words" data-keep>Keep</button></div>
            </details>
            <details @if ($mine && $errors->hasAny('at', 'anyway')) open @endif><summary class="link">Move</summary>
                <div class="flex gap-2 items-end flex-wrap mt-1"><label><span class="label">To ({{ \App\Clock\TimeFormatter::place($text->zone) }})</span><input class="input" type="datetime-local" name="at" value="{{ $mine ? old('at', $at) : $at }}" @if ($mine && $errors->has('at')) aria-invalid="true" @endif></label><button class="btn small" name="do" value="move">Move it</button></div>
                <label class="flex gap-2 items-center mt-2"><input type="checkbox" class="tick" name="anyway" value="1" @checked($mine ? old('anyway') === '1' : $text->scheduled?->anyway)> Even while the line is closed or busy</label>
                @if ($mine && $errors->hasAny('at', 'anyway'))<p class="error" role="alert"><x-icon name="circle-alert" />{{ $errors->first('at') ?: $errors->first('anyway') }}</p>@endif
            </details>
            <button class="link sm" name="do" value="now">Send now</button>
            <button class="link sm" name="do" value="take_back">Take back</button>
            @if ($mine && $errors->has('now'))<p class="error" role="alert"><x-icon name="circle-alert" />{{ $errors->first('now') }} <button class="link" name="do" value="now_anyway">Send it even so</button></p>@endif
        </form>
    @endcan
</article>
