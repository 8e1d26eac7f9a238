@props(['id', 'words', 'wrong' => null, 'page' => null, 'about' => [], 'rows' => 4, 'label' => 'Text'])
{{-- Words with what is filled in: of a rule, to one person, or for whoever comes. --}}
@php([$fields, $token, $measure] = $page === null ? [route('words.fields', $about), route('words.token', $about), route('words', $about)] : [route('rules.words.fields', $page->query()), route('rules.words.token', $page->query()), route('rules.words', $page->query())])
<div x-data="handWords">
    <label class="label" for="{{ $id }}">{{ $label }}</label>
    <textarea class="input w-full" id="{{ $id }}" name="text" rows="{{ $rows }}" maxlength="1600" x-ref="text" x-on:input="typed" x-on:offer="offer"
        data-tokens="{}" data-before="" data-after="" data-fields="{{ $fields }}" data-token="{{ $token }}"
        hx-post="{{ $measure }}" hx-trigger="input changed delay:200ms" hx-target="#{{ $id }}-measure" hx-params="text" @if ($wrong) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif>{{ $words }}</textarea>
    <div class="token-box" x-ref="token" hidden></div>
    @if ($wrong)<p class="error" role="alert" id="{{ $id }}-error"><x-icon name="circle-alert" />{{ $wrong }}</p>@endif
    <div class="flex gap-3 sm mt-1 items-baseline"><button class="link scripted" type="button" x-on:click="offer">Fill in… <kbd>{</kbd></button><div class="soft" id="{{ $id }}-measure" aria-live="polite"></div></div>
</div>
