@php use App\Clock\TimeFormatter; @endphp
@php($sent = fn (array $asked): string => route('sent.index', $page->listed($asked)))
<x-page :title="'Results of '.$page->called()">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> /</div>
    <div class="head"><h1>{{ $page->isThisMonth() ? 'This month' : $page->called() }}</h1>
        <form class="acts" method="get" aria-label="Which month"><select class="input" name="month" aria-label="Month">@foreach ($page->months() as $month)<option value="{{ $month }}" @selected(str_starts_with($page->from, $month))>{{ (new DateTimeImmutable("$month-01"))->format('F Y') }}</option>@endforeach</select><button class="btn">Show</button></form></div>
    <p class="lead">{{ $page->isThisMonth() ? 'So far' : 'In '.$page->called() }} <a href="{{ $sent(['state' => 'left']) }}">{{ TimeFormatter::count($page->sent(), 'text', 'texts') }}</a> {{ $page->sent() === 1 ? 'has' : 'have' }} gone out; texting cost {{ $page->money($page->micros()) }}@if ($page->met() > 0), and {{ TimeFormatter::count($page->met(), 'goal was met', 'goals were met') }}{{ $page->value() > 0 ? ', worth '.TimeFormatter::money($page->value(), $page->business->currency()) : '' }}@endif{{ '.' }}</p>
    @if ($page->budget !== null)
        <div class="budget mt-3">
            <svg class="drawn" viewBox="0 0 1000 34" role="img" aria-label="{{ round(100 * $page->share()) }} % of the month’s money is spent, {{ round(100 * $page->gone()) }} % of the month is over">
                <rect class="whole" x="0" y="8" width="1000" height="14" /><rect class="spent" x="0" y="8" width="{{ round(1000 * $page->share(), 1) }}" height="14" />
                @if ($page->isThisMonth())<line class="now" x1="{{ round(1000 * $page->gone(), 1) }}" x2="{{ round(1000 * $page->gone(), 1) }}" y1="2" y2="30" />@endif
            </svg>
            <p class="sm soft">Automatic texts: {{ $page->money($page->spent) }} of the {{ $page->money($page->budget) }} they may cost in a month, {{ round(100 * $page->share()) }} %@if ($page->isThisMonth()), with {{ round(100 * $page->gone()) }} % of the month over (the mark)@endif. <a class="link" href="{{ route('safeguards.index') }}">Look at the limit</a></p>
        </div>
    @else
        <p class="soft sm mt-1">Nothing limits what automatic texts may cost in a month. <a class="link" href="{{ route('safeguards.index') }}">Set a limit</a></p>
    @endif
    <h2 class="mt-5 mb-1">By rule</h2>
    @if ($page->byRule() === [])<x-empty>No texts in this month.</x-empty>@else
    <div class="table-wrap"><table class="table">
        <thead><tr><th scope="col">Rule</th><th scope="col" class="n">Texts</th><th scope="col" class="n">Price</th><th scope="col" class="n">Answered</th><th scope="col" class="n">Goals met</th><th scope="col" class="n">Worth</th></tr></thead>
        <tbody>@foreach ($page->byRule() as $row)<tr>
            <td>@if ($row->rule)<a class="link" href="{{ route('rules.results', $row->rule) }}">{{ $row->says }}</a>@else<span class="soft">{{ $row->says }}</span>@endif</td>
            <td class="n">@if ($row->by)<a class="link" href="{{ $sent(['state' => 'left', ...($row->rule ? ['rule' => $row->rule->id] : ['by' => $row->by])]) }}">{{ number_format($row->texts) }}</a>@else{{ number_format($row->texts) }}@endif</td>
            <td class="n whitespace-nowrap">{{ $page->money($row->micros) }}</td>
            <td class="n whitespace-nowrap">@if ($row->rule && $row->texts > 0)<a class="link" href="{{ $sent(['rule' => $row->rule->id, 'state' => 'answered']) }}">{{ number_format($row->answered) }}</a>@if ($row->answered > 0) <span class="soft sm">({{ round(100 * $row->answered / $row->texts) }} %)</span>@endif@else<span class="soft">–</span>@endif</td>
            <td class="n">@if ($row->met > 0)<a class="link" href="{{ route('rules.runs', [$row->rule, 'state' => 'goal', 'from' => $page->from]) }}">{{ number_format($row->met) }}</a>@else<span class="soft">–</span>@endif</td>
            <td class="n whitespace-nowrap">{{ $row->value > 0 ? TimeFormatter::money($row->value, $page->business->currency()) : '–' }}</td>
        </tr>@endforeach</tbody>
    </table></div>@endif
    <div class="two mt-5">
        <section><h2 class="mb-1">By line</h2>
            <table class="table"><thead><tr><th scope="col">Line</th><th scope="col" class="n">Texts</th><th scope="col" class="n">Price</th></tr></thead>
                @foreach ($page->byLine() as $row)<tr><td><a class="link" href="{{ route('lines.show', $row['line']) }}">{{ $row['line']->name }}</a></td><td class="n"><a class="link" href="{{ $sent(['line' => $row['line']->id, 'state' => 'left']) }}">{{ number_format($row['texts']) }}</a></td><td class="n">{{ $page->money($row['micros']) }}</td></tr>@endforeach</table></section>
        <section><h2 class="mb-1">By country</h2>
            @if ($page->byCountry() === [])<p class="soft">No texts have gone out.</p>@else
            <table class="table"><thead><tr><th scope="col">Country</th><th scope="col" class="n">Texts</th><th scope="col" class="n">Price</th></tr></thead>
                @foreach ($page->byCountry() as $row)<tr><td>{{ $row['says'] }}</td><td class="n">@if ($row['country'] !== '')<a class="link" href="{{ $sent(['country' => $row['country'], 'state' => 'left']) }}">{{ number_format($row['texts']) }}</a>@else{{ number_format($row['texts']) }}@endif</td><td class="n">{{ $page->money($row['micros']) }}</td></tr>@endforeach</table>@endif</section>
    </div>
</x-page>
