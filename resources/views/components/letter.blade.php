@props(['line', 'page', 'failed', 'opened'])
@php
    $step = $line->texting;
    $text = $step === null ? null : $page->textOf($step->id());
    $lost = $failed?->isOfWords($line);
    $words = $lost ? $failed->text : $line->line->words;
    $id = "words-$line->number";
    $added = $step === null ? ['', ''] : $page->addedTo($step);
    $action = route('rules.sentences', $page->query());
@endphp
<div class="letter" @if ($step) data-step="{{ $step->id() }}" @endif>
    <div x-data="wording">
        <div @if ($lost) hidden @endif x-show="!editing" class="whitespace-pre-line"><span class="added">{{ $added[0] }}</span><x-words :words="$page->template($line->line->words)" /><span class="added">{{ $added[1] }}</span></div>
        @can('administer')
            <form method="post" action="{{ $action }}" x-show="editing" @unless ($lost) x-cloak @endunless data-open="{{ $lost || $opened ? '1' : '' }}" hx-post="{{ $action }}" hx-target="#rule" hx-swap="outerHTML">
                @csrf
                <input type="hidden" name="do" value="words"><input type="hidden" name="line" value="{{ $line->number }}"><input type="hidden" name="base" value="{{ $page->base() }}">
                <label class="sr-only" for="{{ $id }}">{{ $step ? 'The words of this text' : 'The words' }}</label>
                <textarea class="input" id="{{ $id }}" name="text" x-ref="text" x-on:input="typed" x-on:keydown.escape="close" x-on:keydown.ctrl.enter="keep"
                    @if ($step) hx-post="{{ route('rules.preview', [...$page->query(), 'step' => $step->id()]) }}" hx-trigger="input changed delay:250ms" hx-target="#preview-{{ $line->number }}" hx-swap="innerHTML" hx-params="text" @endif
                    @if ($lost) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif>{{ $words }}</textarea>
                @if ($lost)<p class="error" role="alert" id="{{ $id }}-error"><x-icon name="circle-alert" />{{ $failed->says() }}</p>@endif
                <div id="preview-{{ $line->number }}" aria-live="polite"></div>
                <div class="scripted sm soft my-2">Put in a field (or type <kbd>{</kbd>):
                    <span x-ref="fields">
                    @foreach ($page->fields() as $path => $value)<button class="btn small mr-1 mb-1" type="button" data-field="{{ $path }}" x-on:click="put">{{ str_replace(['_', '.'], ' ', $path) }} <span class="soft">{{ $value === '' ? 'empty' : Str::limit($value, 22) }}</span></button>@endforeach
                    </span>
                </div>
                <div class="flex gap-2"><button class="btn small go">Keep these words</button><span class="scripted soft sm self-center"><kbd>Ctrl</kbd> <kbd>Enter</kbd></span><button class="btn small scripted" type="button" x-on:click="close">Leave as it was</button></div>
            </form>
        @endcan
        <div class="counts">
            @if ($text?->composed)
                <span>{{ $text->composed->length->units }} characters, {{ $text->composed->length->parts }} {{ $text->composed->length->parts === 1 ? 'part' : 'parts' }}</span>
                @if ($text->composed->length->culprits !== [])<span class="tone held">{{ implode(' ', array_slice($text->composed->length->culprits, 0, 5)) }} make it cost more</span>@endif
            @elseif ($text?->setAside)
                <span class="tone held"><x-icon name="clock" />{{ \App\Sentences\Sentence::of($text->setAside) }}</span>
            @elseif ($page->sample && $step)
                <span>It would not come to this for {{ $page->receiver?->who }}.</span>
            @endif
            @can('administer')<button class="link scripted" type="button" x-show="!editing" x-on:click="open">Change the words</button>@endcan
            @if ($text?->composed)<span class="price">{{ \App\Clock\Said::price($text->composed->price, $page->business->currency()) }} to {{ $page->receiver?->who }}</span>@endif
        </div>
    </div>
</div>
