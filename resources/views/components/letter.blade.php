@props(['step', 'page', 'wrong', 'changed', 'typed'])
@php
    $text = $page->textOf($step->id());
    $place = "wording-{$step->id()}";
    $error = $wrong[$place] ?? '';
    $words = $error === '' ? ($step->outgoing()->wordings->own[0]->text->source ?? '') : ($typed['text'] ?? '');
@endphp
<div class="letter" data-step="{{ $step->id() }}">
    <div x-data="wording">
        <div @if ($error !== '') hidden @endif x-show="!editing">
            <x-template :step="$step" :page="$page" />
        </div>
        @can('administer')
            <form method="post" action="{{ route('rules.draft.update', ['rule' => $page->rule, 'sample' => $page->sample?->id]) }}" x-show="editing" @if ($error === '') x-cloak @endif data-open="{{ $error === '' ? '' : '1' }}"
                hx-patch="{{ route('rules.draft.update', ['rule' => $page->rule, 'sample' => $page->sample?->id]) }}" hx-target="#rule" hx-swap="outerHTML">
                @csrf @method('patch')
                <input type="hidden" name="part" value="wording">
                <input type="hidden" name="step" value="{{ $step->id() }}">
                <label class="sr-only" for="text-{{ $step->id() }}">The words of this text</label>
                <textarea class="input" id="text-{{ $step->id() }}" name="text" x-ref="text" x-on:input="typed" x-on:keydown.escape="close"
                    hx-post="{{ route('rules.preview', ['rule' => $page->rule, 'sample' => $page->sample?->id]) }}" hx-trigger="input changed delay:250ms" hx-target="#preview-{{ $step->id() }}" hx-swap="innerHTML" hx-params="step,text"
                    @if ($error !== '') aria-invalid="true" aria-describedby="{{ $place }}-error" @endif>{{ $words }}</textarea>
                @if ($error !== '')<p class="error" role="alert" id="{{ $place }}-error"><x-icon name="circle-alert" />{{ $error }}</p>@endif
                <div id="preview-{{ $step->id() }}" aria-live="polite"></div>
                <div class="sm soft my-2">Put in a field (or type <kbd>{</kbd>):
                    <span x-ref="fields">
                    @foreach ($page->fields() as $path => $value)<button class="btn small mr-1 mb-1" type="button" data-field="{{ $path }}" x-on:click="put">{{ str_replace(['_', '.'], ' ', $path) }} <span class="soft">{{ $value === '' ? 'empty' : Str::limit($value, 22) }}</span></button>@endforeach
                    </span>
                </div>
                <div class="flex gap-2"><button class="btn small go">Keep these words</button><button class="btn small" type="button" x-on:click="close">Leave as it was</button></div>
            </form>
        @endcan
        <div class="counts">
            @if ($text?->composed)
                <span>{{ $text->composed->length->units }} characters, {{ $text->composed->length->parts }} {{ $text->composed->length->parts === 1 ? 'part' : 'parts' }}</span>
                @if ($text->composed->length->culprits !== [])<span class="tone held">{{ implode(' ', array_slice($text->composed->length->culprits, 0, 5)) }} make it cost more</span>@endif
            @elseif ($text?->setAside)
                <span class="tone held"><x-icon name="clock" />{{ \App\Sentences\Sentence::of($text->setAside) }}</span>
            @elseif ($page->sample)
                <span>It would not come to this for {{ $page->receiver?->who }}.</span>
            @endif
            @can('administer')<button class="link" type="button" x-show="!editing" x-on:click="open">Change the words</button>@endcan
            @if ($text?->composed)<span class="price">{{ \App\Clock\Said::price($text->composed->price, $page->business->currency()) }} to {{ $page->receiver?->who }}</span>@endif
        </div>
    </div>
</div>
