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
@endphp
<div class="letter" @if ($step) data-step="{{ $step->id() }}" @endif>
    <div x-data="wording">
        <div @if ($lost) hidden @endif x-show="!editing" class="whitespace-pre-line"><span class="added">{{ $added[0] }}</span><x-words :words="$page->template($line->line->words)" :tokens="$page->tokens()" /><span class="added">{{ $added[1] }}</span></div>
        @can('administer')
            <form method="post" action="{{ $action }}" x-show="editing" @unless ($lost) x-cloak @endunless data-open="{{ $lost || $opened ? '1' : '' }}" hx-post="{{ $action }}" hx-target="#rule" hx-swap="outerHTML">
                @csrf
                <input type="hidden" name="do" value="words"><input type="hidden" name="line" value="{{ $line->number }}"><input type="hidden" name="base" value="{{ $page->base() }}">
                <x-word-editor :id="$id" :words="$words" :page="$page" :step="$step?->id()" :added="$added" :wrong="$lost ? $failed->says() : null" :label="$step ? 'The words of this text' : 'The words'" />
            </form>
        @endcan
        <div class="counts">
            @if ($text?->composed)
                <span x-show="!editing">{{ $text->composed->length->units }} characters, {{ $text->composed->length->parts }} {{ $text->composed->length->parts === 1 ? 'part' : 'parts' }}</span>
                @if ($text->composed->length->culprits !== [])<span class="tone held" x-show="!editing">{{ implode(' ', array_slice($text->composed->length->culprits, 0, 5)) }} make it cost more</span>@endif
            @elseif ($text?->setAside)
                <span class="tone held"><x-icon name="clock" />{{ \App\Sentences\Sentence::of($text->setAside) }}</span>
            @elseif ($page->sample && $step && ! $isOneOfSeveral)
                <span>It would not come to this for {{ $page->receiver?->who }}.</span>
            @endif
            @if ($step)<span x-show="!editing"><span id="bounds-{{ $line->number }}"></span></span>@endif
            @can('administer')<button class="link scripted" type="button" x-show="!editing" x-on:click="open">Change the words</button>@endcan
            @if ($step && ! $isOneOfSeveral)<x-picture :step="$step" :page="$page" />@endif
            @if ($text?->composed)<span class="price" x-show="!editing">{{ \App\Clock\TimeFormatter::price($text->composed->price, $page->business->currency()) }} to {{ $text->who }}</span>@endif
        </div>
    </div>
</div>
