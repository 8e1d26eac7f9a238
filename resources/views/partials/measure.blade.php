@if ($length->units > 0)
    {{ $length->units }} characters, {{ $length->parts }} {{ $length->parts === 1 ? 'part' : 'parts' }}, {{ $length->left }} left
    @if ($length->culprits !== [])
        <span class="tone held"><x-icon name="circle-alert" />{{ implode(' ', array_slice($length->culprits, 0, 6)) }} costs extra room</span>
    @endif
@endif
