@php($about = array_filter(['person' => $person, 'record' => $record]))
<div id="text-field" x-data="handWords">
    <label class="sr-only" for="text">Write to {{ $who }}</label>
    <textarea id="text" name="text" rows="{{ $rows }}" placeholder="Write to {{ $who }}" @disabled($stopped) x-ref="text" x-on:input="typed" x-on:offer="offer" x-on:put="put"
        data-tokens="{}" data-before="" data-after="" data-fields="{{ route('words.fields', $about) }}" data-token="{{ route('words.token', $about) }}"
        hx-post="{{ route('words', $about) }}" hx-include="[name=line],[name=number]" hx-trigger="{{ (string) $value === '' ? '' : 'load, ' }}input changed delay:200ms" hx-target="#measure" @error('text') aria-invalid="true" aria-describedby="text-error" @enderror>{{ $value }}</textarea>
    <div class="token-box" x-ref="token" hidden></div>
    @if ($wrong)<p class="error" role="alert"><x-icon name="circle-alert" />{{ $wrong }}</p>@endif
    <x-error name="text" />
</div>
