@if ($overlap !== null)
    <figure class="overlap mt-2">
        <svg viewBox="0 0 {{ \App\Pages\Rules\Overlap::WIDTH }} {{ $overlap->height() }}" role="img" aria-label="{{ implode('; ', array_map(fn ($lane) => $lane['name'].': '.($lane['starts'] ? implode(', ', array_column($lane['texts'], 'when')) ?: 'no text' : 'would not start'), $overlap->lanes)) }}">
            @foreach ($overlap->lanes as $i => $lane)
                <text x="0" y="{{ \App\Pages\Rules\Overlap::LANE * $i + 11 }}">{{ Str::limit($lane['name'], 44) }}</text>
                <line class="axis" x1="0" x2="{{ \App\Pages\Rules\Overlap::WIDTH }}" y1="{{ \App\Pages\Rules\Overlap::LANE * $i + 26 }}" y2="{{ \App\Pages\Rules\Overlap::LANE * $i + 26 }}" />
                @unless ($lane['starts'])<text class="when" x="0" y="{{ \App\Pages\Rules\Overlap::LANE * $i + 40 }}">would not start for {{ $overlap->who }}</text>@endunless
                @foreach ($lane['texts'] as $text)<circle @class(['dot', 'ours' => $i === 0]) cx="{{ $text['x'] }}" cy="{{ \App\Pages\Rules\Overlap::LANE * $i + 26 }}" r="5" />@if ($loop->first || $loop->last && $text['x'] - $lane['texts'][0]['x'] > 90)<text class="when" x="{{ min($text['x'] + 8, 210) }}" y="{{ \App\Pages\Rules\Overlap::LANE * $i + 40 }}">{{ $text['when'] }}</text>@endif @endforeach
            @endforeach
        </svg>
        <figcaption class="soft sm">What {{ $overlap->who }} would get from both.</figcaption>
    </figure>
@endif
