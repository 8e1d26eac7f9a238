<span data-tokens="{{ json_encode((object) $tokens) }}" data-costly="{{ implode('', $length->culprits) }}">
@if ($wrong)
    <span class="tone held"><x-icon name="circle-alert" />{{ $wrong }}</span>
@elseif ($length->units > 0)
    @if ($tokens !== [] && $who !== null)<span class="block pre-line">To {{ $who }}: {{ $body }}</span>@endif
    {{ $length->units }} characters, {{ $length->parts }} {{ $length->parts === 1 ? 'part' : 'parts' }}, {{ $length->left }} left
    @if ($length->culprits !== [])
        <span class="tone held"><x-icon name="circle-alert" />{{ implode(' ', array_slice($length->culprits, 0, 6)) }} costs extra room</span>
    @endif
@endif
</span>
