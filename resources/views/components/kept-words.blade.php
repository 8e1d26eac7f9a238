@props(['id', 'words', 'wrong' => null])
<div x-data="handWords">
    <label class="label" for="{{ $id }}">Text</label>
    <textarea class="input w-full" id="{{ $id }}" name="text" rows="4" maxlength="1600" x-ref="text" x-on:input="typed" x-on:offer="offer"
        data-tokens="{}" data-before="" data-after="" data-fields="{{ route('words.fields') }}" data-token="{{ route('words.token') }}"
        hx-post="{{ route('words') }}" hx-trigger="input changed delay:200ms" hx-target="#{{ $id }}-measure" @if ($wrong) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif>{{ $words }}</textarea>
    <div class="token-box" x-ref="token" hidden></div>
    @if ($wrong)<p class="error" role="alert" id="{{ $id }}-error"><x-icon name="circle-alert" />{{ $wrong }}</p>@endif
    <p class="flex gap-3 sm mt-1"><button class="link scripted" type="button" x-on:click="offer">Fill in… <kbd>{</kbd></button><span class="soft" id="{{ $id }}-measure" aria-live="polite"></span></p>
</div>
