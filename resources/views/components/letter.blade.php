@props(['line', 'page', 'failed', 'opened'])
@php
    $step = $line->texting;
    $isOneOfSeveral = $line->line->kind === \Linnet\Core\Prose\LineKind::Wording;
    $text = $step === null || $isOneOfSeveral ? null : $page->textOf($step->id());
    $lost = $failed?->isOfWords($line);
    $words = $lost ? $failed->text : $line->line->words;
    $id = "words-$line->number";
    $added = $step === null ? ['', ''] : $page->addedTo($step);
    $action = route('rules.sentences', $page->query());
    $at = [...$page->query(), ...($step === null ? [] : ['step' => $step->id()])];
@endphp
<div class="letter" @if ($step) data-step="{{ $step->id() }}" @endif>
    <div x-data="wording">
        <div @if ($lost) hidden @endif x-show="!editing" class="whitespace-pre-line"><span class="added">{{ $added[0] }}</span><x-words :words="$page->template($line->line->words)" :tokens="$page->tokens()" /><span class="added">{{ $added[1] }}</span></div>
        @can('administer')
            <form method="post" action="{{ $action }}" x-show="editing" @unless ($lost) x-cloak @endunless data-open="{{ $lost || $opened ? '1' : '' }}" hx-post="{{ $action }}" hx-target="#rule" hx-swap="outerHTML">
                @csrf
                <input type="hidden" name="do" value="words"><input type="hidden" name="line" value="{{ $line->number }}"><input type="hidden" name="base" value="{{ $page->base() }}">
                <label class="sr-only" for="{{ $id }}">{{ $step ? 'The words of this text' : 'The words' }}</label>
                <textarea class="input" id="{{ $id }}" name="text" x-ref="text" x-on:keydown.escape="close" x-on:keydown.ctrl.enter="keep" data-tokens="{{ json_encode((object) $page->tokens()->in($words)) }}" data-before="{{ $added[0] }}" data-after="{{ $added[1] }}" data-fields="{{ route('rules.words.fields', $page->query()) }}" data-token="{{ route('rules.words.token', $page->query()) }}"
                    hx-post="{{ route('rules.words', $at) }}" hx-trigger="input delay:250ms" hx-target="#preview-{{ $line->number }}" hx-swap="innerHTML" hx-params="text"
                    @if ($lost) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif>{{ $words }}</textarea>
                @if ($lost)<p class="error" role="alert" id="{{ $id }}-error"><x-icon name="circle-alert" />{{ $failed->says() }}</p>@endif
                <div class="token-box" x-ref="token" hidden></div>
                <div id="preview-{{ $line->number }}" aria-live="polite" x-on:htmx:after-settle="told"></div>
                @if ($step)<p class="sm soft" hx-post="{{ route('rules.words.bounds', $at) }}" hx-trigger="input delay:900ms from:#{{ $id }}" hx-include="#{{ $id }}" hx-params="text" hx-target="this" hx-swap="innerHTML" aria-live="polite"></p>@endif
                <div class="flex flex-wrap gap-2 mt-2 items-center"><button class="btn small go">Keep these words</button><span class="scripted soft sm"><kbd>Ctrl</kbd> <kbd>Enter</kbd></span><button class="btn small scripted" type="button" x-on:click="close">Leave as it was</button>
                    <span class="scripted flex gap-2 ml-auto"><button class="btn small" type="button" x-on:click="offerFields">Fill in… <kbd>{</kbd></button><button class="btn small" type="button" x-on:click="offerEmoji">Emoji… <kbd>:</kbd></button></span></div>
            </form>
        @endcan
        <div class="counts">
            @if ($text?->composed)
                <span>{{ $text->composed->length->units }} characters, {{ $text->composed->length->parts }} {{ $text->composed->length->parts === 1 ? 'part' : 'parts' }}</span>
                @if ($text->composed->length->culprits !== [])<span class="tone held">{{ implode(' ', array_slice($text->composed->length->culprits, 0, 5)) }} make it cost more</span>@endif
            @elseif ($text?->setAside)
                <span class="tone held"><x-icon name="clock" />{{ \App\Sentences\Sentence::of($text->setAside) }}</span>
            @elseif ($page->sample && $step && ! $isOneOfSeveral)
                <span>It would not come to this for {{ $page->receiver?->who }}.</span>
            @endif
            @if ($step)<span id="bounds-{{ $line->number }}"></span>@endif
            @can('administer')<button class="link scripted" type="button" x-show="!editing" x-on:click="open">Change the words</button>@endcan
            @if ($text?->composed)<span class="price">{{ \App\Clock\Said::price($text->composed->price, $page->business->currency()) }} to {{ $page->receiver?->who }}</span>@endif
        </div>
    </div>
</div>
