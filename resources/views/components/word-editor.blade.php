@props(['id', 'words', 'page' => null, 'step' => null, 'added' => ['', ''], 'wrong' => null, 'label' => 'The words'])
@php($at = $page === null ? [] : [...$page->query(), ...($step === null ? [] : ['step' => $step])])
<label class="sr-only" for="{{ $id }}">{{ $label }}</label>
<textarea class="input" id="{{ $id }}" name="text" x-ref="text" x-on:keydown.escape="close" x-on:keydown.ctrl.enter="keep"
    @if ($page) data-tokens="{{ json_encode((object) $page->tokens()->in($words)) }}" data-before="{{ $added[0] }}" data-after="{{ $added[1] }}" data-fields="{{ route('rules.words.fields', $page->query()) }}" data-token="{{ route('rules.words.token', $page->query()) }}"
    hx-post="{{ route('rules.words', $at) }}" hx-trigger="input delay:250ms" hx-target="#preview-{{ $id }}" hx-swap="innerHTML" hx-params="text" @endif
    @if ($wrong) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif>{{ $words }}</textarea>
@if ($wrong)<p class="error" role="alert" id="{{ $id }}-error"><x-icon name="circle-alert" />{{ $wrong }}</p>@endif
<div class="token-box" x-ref="token" hidden></div>
<div class="flex flex-wrap gap-2 mt-2 items-center"><button class="btn small go">Keep these words</button><span class="scripted soft sm"><kbd>Ctrl</kbd> <kbd>Enter</kbd></span><button class="btn small scripted" type="button" x-on:click="close">Leave as it was</button>
    @if ($page)<span class="scripted flex gap-2 ml-auto"><button class="btn small" type="button" x-on:click="offerFields">Fill in… <kbd>{</kbd></button><button class="btn small" type="button" x-on:click="offerEmoji">Emoji… <kbd>:</kbd></button></span>@endif</div>
{{-- Below what is clicked: it comes and goes while one types. --}}
<div id="preview-{{ $id }}" aria-live="polite" x-on:htmx:after-settle="told"></div>
@if ($step)<p class="sm soft" hx-post="{{ route('rules.words.bounds', $at) }}" hx-trigger="input delay:900ms from:#{{ $id }}" hx-include="#{{ $id }}" hx-params="text" hx-target="this" hx-swap="innerHTML" aria-live="polite"></p>@endif
