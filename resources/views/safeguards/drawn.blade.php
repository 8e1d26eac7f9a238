@php use App\Pages\Safeguards\{BudgetDrawing, CapDrawing}; @endphp
<div class="grid gap-5 sm:grid-cols-2 mb-3">
    <div>
        <div class="scroll" tabindex="0" role="region" aria-label="Texts in seven days, drawn"><svg class="drawn bars narrow" viewBox="0 0 {{ CapDrawing::WIDTH }} 102" role="img" aria-label="{{ collect($cap->people)->map(fn ($people, $many) => $cap->label($many).': '.number_format($people))->implode('; ') }}">
            @foreach ($cap->people as $many => $people)<rect class="went" x="{{ $cap->x($many) }}" y="{{ CapDrawing::AXIS - $cap->height($people) }}" width="{{ $cap->width() }}" height="{{ $cap->height($people) }}"><title>{{ number_format($people) }}</title></rect><text x="{{ $cap->x($many) }}" y="98">{{ $many === 8 ? '8 +' : $many }}</text>@endforeach
            <line class="base" x1="0" x2="{{ CapDrawing::WIDTH }}" y1="{{ CapDrawing::AXIS }}" y2="{{ CapDrawing::AXIS }}" />
            @if ($cap->limitAt() !== null)<path class="limit" d="M{{ $cap->limitAt() }} 8V{{ CapDrawing::AXIS }}" />@endif
        </svg></div>
        <p class="legend sm soft"><span class="went">people, by texts they had in 7 days</span>@if ($cap->limitAt() !== null)<span class="limit">enough</span>@endif</p>
        <p class="soft sm">{{ $cap->says() }}</p>
    </div>
    <div>
        <div class="scroll" tabindex="0" role="region" aria-label="The month’s cost, drawn"><svg class="drawn bars narrow" viewBox="0 0 {{ BudgetDrawing::WIDTH }} 102" role="img" aria-label="{{ $budget->says() }}">
            @foreach ($budget->days as $day => $sum)
                @php($up = $budget->height($sum['spent'] + $sum['coming']))
                <rect class="{{ $budget->isPast($day) ? 'went' : 'beside' }}" x="{{ $budget->x($day) }}" y="{{ round(BudgetDrawing::AXIS - $up, 1) }}" width="{{ $budget->width() }}" height="{{ $up }}" />
                @if (($day - 1) % 7 === 0)<text x="{{ $budget->x($day) }}" y="98">{{ $day }}</text>@endif
            @endforeach
            <line class="base" x1="0" x2="{{ BudgetDrawing::WIDTH }}" y1="{{ BudgetDrawing::AXIS }}" y2="{{ BudgetDrawing::AXIS }}" />
            @if ($budget->limitAt() !== null)<path class="limit" d="M0 {{ $budget->limitAt() }}H{{ BudgetDrawing::WIDTH }}" />@endif
        </svg></div>
        <p class="legend sm soft"><span class="went">spent, day upon day</span><span class="beside">in sight</span>@if ($budget->limitAt() !== null)<span class="limit">budget</span>@endif</p>
        <p class="soft sm">{{ $budget->says() }}</p>
    </div>
</div>
