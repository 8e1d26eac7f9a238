@if ($problem)
    <p class="error" role="alert"><x-icon name="circle-alert" />{{ $problem }}</p>
@elseif ($text?->composed)
    <p class="sm soft mt-1">{{ $text->composed->length->units }} characters, {{ $text->composed->length->parts }} {{ $text->composed->length->parts === 1 ? 'part' : 'parts' }}, {{ $text->composed->length->left }} left, {{ \App\Clock\Said::price($text->composed->price, $business->currency()) }}@if ($text->composed->length->culprits !== []) · <span class="tone held">{{ implode(' ', array_slice($text->composed->length->culprits, 0, 6)) }} make it cost more</span>@if ($plain !== null) <button class="link" type="button" data-plain="{{ $plain }}" x-on:click="plainly">write it plainly</button>@endif @endif</p>
    <div class="handset mt-1"><div class="says">{{ $text->composed->body }}</div></div>
@elseif ($text?->setAside)
    <p class="sm tone held mt-1"><x-icon name="clock" />{{ \App\Sentences\Sentence::of($text->setAside) }} Say what to write instead, as in {{ '{{' }} first_name | or: "there" }}.</p>
@endif
