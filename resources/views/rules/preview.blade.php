@php($composed = $text?->composed ?? $else)
<div data-tokens="{{ json_encode((object) $tokens) }}" data-costly="{{ implode('', $composed?->length?->culprits ?? []) }}">
@if ($problem)
    <p class="error" role="alert"><x-icon name="circle-alert" />{{ $problem }}</p>
@elseif ($composed)
    @if ($isText)<p class="sm soft mt-1">{{ $composed->length->units }} characters, {{ $composed->length->parts }} {{ $composed->length->parts === 1 ? 'part' : 'parts' }}, {{ $composed->length->left }} left, {{ \App\Clock\TimeFormatter::price($composed->price, $business->currency()) }}@if ($composed->length->culprits !== []) · <span class="tone held">{{ implode(' ', array_slice($composed->length->culprits, 0, 6)) }} make it cost more</span>@if ($plain !== null) <button class="link" type="button" data-plain="{{ $plain }}" x-on:click="plainly">write it plainly</button>@endif @endif</p>@endif
    @if ($else)<p class="sm soft mt-1">{{ $isText ? "It would not come to this for {$receiver?->who}. If it did:" : "For {$receiver?->who} it would say:" }}</p>@endif
    <div class="handset mt-1"><div class="says">{{ $composed->body }}</div></div>
@elseif ($text?->setAside)
    <p class="sm tone held mt-1"><x-icon name="clock" />{{ \App\Sentences\Sentence::of($text->setAside) }} Open what is filled in and say what to write instead.</p>
@endif
</div>
