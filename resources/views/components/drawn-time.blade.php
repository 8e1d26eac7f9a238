@props(['timeLine'])
<section class="time-line" aria-label="Time line">
    <div class="caption">{{ $slot }}</div>
    <div class="scroll" tabindex="0" role="region" aria-label="Time line, drawn">
        <svg class="drawn" viewBox="0 0 1046 132" role="img" aria-label="{{ count($timeLine->marks()) }} texts on the time line">
            @foreach ($timeLine->nights() as $night)
                <rect class="night" x="{{ $night['x'] }}" y="22" width="{{ $night['width'] }}" height="76" />
                @if ($night['width'] > 46)<text class="night-word" x="{{ $night['x'] + 7 }}" y="35">night</text>@endif
            @endforeach
            <line class="axis" x1="30" y1="98" x2="{{ $timeLine->endX() }}" y2="98" />
            @foreach ($timeLine->breaks as $break)
                <rect x="{{ $break['from'] - 4 }}" y="90" width="24" height="16" class="fill-raised" />
                <path d="M{{ $break['from'] }} 92l5 12M{{ $break['from'] + 10 }} 92l5 12" class="stroke-soft" />
                <text x="{{ $break['from'] + 6 }}" y="122" text-anchor="middle">{{ $break['days'] }} days</text>
            @endforeach
            @foreach ($timeLine->days() as $day)
                <text x="{{ $day['x'] - 12 }}" y="118">{{ $day['word'] }}</text>
            @endforeach
            <line class="anchor-stem" x1="{{ $timeLine->anchorX() }}" y1="98" x2="{{ $timeLine->anchorX() }}" y2="38" />
            <path class="anchor" d="M{{ $timeLine->anchorX() }} 38h-{{ $timeLine->flagWidth() }}l7 8-7 8h{{ $timeLine->flagWidth() }}z" />
            <text class="anchor-word" x="{{ $timeLine->anchorX() - 5 }}" y="50" text-anchor="end">{{ $timeLine->anchorWord }}</text>
            <text x="{{ $timeLine->anchorX() - 5 }}" y="70" text-anchor="end">{{ $timeLine->anchorTime() }}</text>
            @foreach ($timeLine->marks() as $mark)
                <g @class(['mark-group', 'lost' => $mark['lost']]) data-step="{{ $mark['step'] }}">
                    @if ($mark['wantedX'] !== null)
                        <circle class="wanted" cx="{{ $mark['wantedX'] }}" cy="80" r="5" />
                        <path class="thread" d="M{{ $mark['wantedX'] + 5 }} 80C{{ $mark['wantedX'] + 24 }} 80 {{ $mark['x'] - 24 }} 70 {{ $mark['x'] - 10 }} 64" />
                    @endif
                    <line class="stem" x1="{{ $mark['x'] }}" y1="98" x2="{{ $mark['x'] }}" y2="66" />
                    <circle class="mark-disc" cx="{{ $mark['x'] }}" cy="58" r="10" />
                    <text class="mark-letter" x="{{ $mark['x'] }}" y="62">{{ $mark['lost'] ? '×' : $mark['letter'] }}</text>
                    <text class="when" x="{{ $mark['x'] + 15 }}" y="{{ $mark['why'] === '' ? 62 : 56 }}">{{ $mark['when'] }}</text>
                    @if ($mark['why'] !== '')<text class="why" x="{{ $mark['x'] + 15 }}" y="70">{{ $mark['why'] }}</text>@endif
                </g>
            @endforeach
        </svg>
    </div>
</section>
