@php use App\Pages\LineDrawing; @endphp
@php([$step, $wide] = [$drawn->step(), LineDrawing::WIDTH])
<div class="two mb-5"><div>
    <h2 class="mb-1">What it may send, and sends</h2>
    <div class="scroll" tabindex="0" role="region" aria-label="What left and what comes, by day"><svg class="drawn bars" viewBox="0 0 {{ $wide }} 132" role="group" aria-label="What left day by day and what comes, under what may leave">
        @foreach ($drawn->days as $i => $day)
            @php($x = round($i * $step + 2, 1))
            @if ($day['left'] > 0)<a href="{{ route('sent.index', ['line' => $line->id, 'state' => 'left', 'from' => $day['date'], 'until' => $day['date']]) }}" aria-label="{{ \Carbon\CarbonImmutable::parse($day['date'])->format('D j M') }}: {{ number_format($day['left']) }} left"><rect class="hit" x="{{ $x }}" y="14" width="{{ round($step - 2, 1) }}" height="{{ LineDrawing::AXIS - 14 }}" /><rect class="went" x="{{ $x }}" y="{{ $drawn->y($day['left']) }}" width="{{ round($step - 4, 1) }}" height="{{ LineDrawing::AXIS - $drawn->y($day['left']) }}" /></a>@endif
            @if ($day['coming'] > 0)<a href="{{ route('ahead.day', ['day' => $day['date'], 'line' => $line->id]) }}" aria-label="{{ \Carbon\CarbonImmutable::parse($day['date'])->format('D j M') }}: {{ number_format($day['coming']) }} to come"><rect class="beside" x="{{ $x }}" y="{{ $drawn->y($day['left'] + $day['coming']) }}" width="{{ round($step - 4, 1) }}" height="{{ round(LineDrawing::AXIS - $drawn->y($day['coming']), 1) }}" /></a>@endif
            @if (($i % 7 === 0 && $x < $wide - 50) || $i === $drawn->today)<text x="{{ $x }}" y="126">{{ $i === $drawn->today ? 'today' : \Carbon\CarbonImmutable::parse($day['date'])->format('D j') }}</text>@endif
        @endforeach
        <line class="axis" x1="{{ round($drawn->today * $step, 1) }}" x2="{{ round($drawn->today * $step, 1) }}" y1="10" y2="{{ LineDrawing::AXIS }}" />
        <line class="base" x1="0" x2="{{ $wide }}" y1="{{ LineDrawing::AXIS }}" y2="{{ LineDrawing::AXIS }}" />
        @if ($drawn->curve() !== '')<path class="limit" d="{{ $drawn->curve() }}" />@endif
    </svg></div>
    <p class="legend sm soft"><span class="went">left</span><span class="beside">to come, as things stand</span>@if ($drawn->curve() !== '')<span class="limit">what may leave in a day</span>@endif</p>
    <p class="soft sm">{{ $drawn->says() }}</p>
    </div><div>
    <h2 class="mb-1">Whether carriers are content with it</h2>
    @if ($drawn->shares() === [])
        <p class="soft sm">Nothing is known of the last two weeks.</p>
    @else
        <div class="scroll" tabindex="0" role="region" aria-label="Failures by day, drawn"><svg class="drawn bars narrow" viewBox="0 0 {{ LineDrawing::NARROW }} 90" role="img" aria-label="The share of texts a day that carriers hold against the line: {{ collect($drawn->shares())->pluck('says')->implode('; ') }}">
            @foreach ([[$drawn->health->pause, 'stops at', -4], [$drawn->health->warn, 'warns at', 11]] as [$percent, $word, $below])<line class="axis" x1="0" x2="{{ LineDrawing::NARROW }}" y1="{{ $drawn->percent($percent) }}" y2="{{ $drawn->percent($percent) }}" /><text class="mark" x="{{ LineDrawing::NARROW }}" y="{{ $drawn->percent($percent) + $below }}">{{ $word }} {{ $percent }} %</text>@endforeach
            <line class="base" x1="0" x2="{{ LineDrawing::NARROW }}" y1="70" y2="70" />
            @foreach ($drawn->shares() as $share)<circle @class(['health-point', 'ails' => $share['ails']]) cx="{{ $share['x'] }}" cy="{{ $share['y'] }}" r="4"><title>{{ $share['says'] }}</title></circle>@endforeach
            <text class="mark" x="{{ LineDrawing::NARROW }}" y="85">today</text><text x="2" y="85">{{ \Carbon\CarbonImmutable::parse($drawn->days[0]['date'])->format('D j') }}</text>
        </svg></div>
        <p class="soft sm">Each point is a day’s share that failed in a way carriers hold against a sender. What counts is the last {{ $drawn->health->lookAt }}: {{ $page->failures($line) }}.</p>
    @endif
</div></div>
