@php use App\Clock\TimeFormatter; use App\Pages\Bars; use App\Pages\Rehearsals\RehearsalPage; @endphp
@php($rehearsal = $page->rehearsal)
@php($rows = fn (array $asked = []): string => route('rules.rehearsal.rows', [$page->rule, $rehearsal, ...$asked]))
@php($currency = $page->business->currency())
<x-page :title="$page->rule->name.': rehearsed'">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / {{ $page->rule->written()->folder }}</div>
    <div class="head">
        <h1>{{ $page->rule->name }}</h1>
        @can('administer')
            <form class="acts" method="post" action="{{ route('rules.rehearsal.begin', $page->rule) }}">@csrf
                @if ($page->rule->draft)<x-tone tone="held">Changes not published</x-tone>@endif
                <label><span class="sm soft">Over the last</span> <input class="input w-18" name="days" inputmode="numeric" list="how-long" value="{{ old('days', $rehearsal->days ?? 90) }}" @error('days') aria-invalid="true" @enderror> <span class="sm soft">days</span></label>
                <datalist id="how-long">@foreach (RehearsalPage::DAYS as $days)<option value="{{ $days }}"></option>@endforeach</datalist>
                <button @class(['btn', 'go' => $rehearsal === null || $page->isOutdated()])>{{ $rehearsal === null ? 'Rehearse' : 'Rehearse again' }}</button>
            </form>
        @endcan
    </div>
    <x-error name="days" />
    <x-rule-tabs :rule="$page->rule" />
    <div id="rehearsing" @if ($rehearsal?->state->isUnderWay()) hx-get="{{ route('rules.rehearsal', [$page->rule, $rehearsal]) }}" hx-trigger="every 1s" hx-select="#rehearsing" hx-swap="outerHTML" @endif>
    @if ($rehearsal === null)
        <x-empty>Nothing of this rule was rehearsed yet. Rehearse it over days that are past: what happened then happens once more on paper, and you see whom it would have texted, when, with what words, and what would have been in the way. No text leaves.</x-empty>
    @elseif ($rehearsal->state->isUnderWay())
        <div aria-live="polite">
            <p class="lead">Going through {{ $page->period() }} on paper …</p>
            <progress class="meter mt-2" max="{{ max(1, $rehearsal->of) }}" value="{{ $rehearsal->done }}" aria-label="How far it is"></progress>
            <p class="soft mt-1">{{ $page->progress() }} It goes on if you leave this page.</p>
            @if ($page->isStuck())<p class="mt-2"><x-tone tone="bad">Nothing carries it out.</x-tone> <span class="soft sm">Start it: php artisan linnet:rehearsals</span></p>@endif
            @can('administer')<form class="mt-3" method="post" action="{{ route('rules.rehearsal.stop', [$page->rule, $rehearsal]) }}">@csrf<button class="btn">Stop</button></form>@endcan
        </div>
    @else
        @if ($page->figures === null)
            <p class="lead">{{ $rehearsal->state === \App\Models\RehearsalState::Failed ? 'It could not be carried out. What went wrong, for whoever looks after the server: '.$rehearsal->problem.'.' : 'It was stopped before its end.' }}</p>
        @else
            @php([$figures, $beside] = [$page->figures, $page->beside])
            @if ($page->isOutdated())<p class="mb-2"><x-tone tone="held">The rule was changed since: this is what it would have done as it was then.</x-tone></p>@endif
            <p class="lead">Over {{ $page->period() }}, as they really were, {{ $beside ? 'the changed rule' : 'this rule' }} would have reached <a href="{{ $rows(['what' => 'people']) }}">{{ TimeFormatter::count($figures->people, 'person', 'people') }}</a> with <a href="{{ $rows() }}">{{ TimeFormatter::count($figures->texts, 'text', 'texts') }}</a> for {{ $figures->price($currency) }}.
                @if ($beside)The rule that is on would have reached <a href="{{ $rows(['what' => 'people', 'side' => 'published']) }}">{{ number_format($beside->people) }}</a> with <a href="{{ $rows(['side' => 'published']) }}">{{ number_format($beside->texts) }}</a>.@endif
                @if ($figures->late > 0)<a href="{{ $rows(['what' => 'late']) }}">{{ ucfirst(TimeFormatter::count($figures->late, 'text', 'texts')) }}</a> would have come too late to be wanted{{ $beside ? ', '.($beside->late === $figures->late ? 'as many as now' : ($beside->late > $figures->late ? number_format($beside->late - $figures->late).' fewer than now' : number_format($figures->late - $beside->late).' more than now')) : '' }}.@elseif ($beside && $beside->late > 0)None would have come too late; of those that are on {{ number_format($beside->late) }} would.@elseif ($figures->texts > 0)None would have come too late to be wanted.@endif</p>
            <div class="rehearsed">
                <div>
                    @php($bars = $page->days())
                    <div class="scroll" tabindex="0" role="region" aria-label="Texts by day">
                        <svg class="drawn bars" viewBox="0 0 {{ Bars::WIDTH }} {{ $bars->height() }}" role="group" aria-label="Texts by day, {{ $beside ? 'as changed above, as it is on below' : '' }}">
                            @foreach ($bars->marks() as $mark)<line class="axis" x1="0" x2="{{ Bars::WIDTH }}" y1="{{ $mark['y'] }}" y2="{{ $mark['y'] }}" /><text class="mark" x="{{ Bars::WIDTH }}" y="{{ $mark['y'] - 3 }}">{{ $mark['says'] }}</text>@endforeach
                            @foreach ($bars->all() as $bar)
                                @if ($bar['says'][0] + (int) $bar['says'][2] > 0)<a href="{{ $rows(['day' => $bar['name']]) }}" aria-label="{{ \Carbon\CarbonImmutable::parse($bar['name'])->format('D j M') }}: {{ TimeFormatter::count($bar['says'][0], 'text', 'texts') }}{{ $bar['says'][1] > 0 ? ', '.$bar['says'][1].' held' : '' }}{{ $bar['says'][2] !== null ? '; as it is on '.$bar['says'][2] : '' }}"><rect class="hit" x="{{ $bar['x'] - 1 }}" y="14" width="{{ $bar['width'] + 2 }}" height="{{ $bars->height() - 36 }}" /><rect class="held" x="{{ $bar['x'] }}" y="{{ $bar['top'] }}" width="{{ $bar['width'] }}" height="{{ $bar['held'] }}" /><rect class="went" x="{{ $bar['x'] }}" y="{{ $bar['top'] + $bar['held'] }}" width="{{ $bar['width'] }}" height="{{ $bar['texts'] }}" /><rect class="beside" x="{{ $bar['x'] }}" y="{{ $bars->axis() + 3 }}" width="{{ $bar['width'] }}" height="{{ $bar['below'] }}" /></a>@endif
                                @if ($bars->dayWord($bar['i']) !== '')<text x="{{ $bar['x'] }}" y="{{ $bars->height() - 6 }}">{{ $bars->dayWord($bar['i']) }}</text>@endif
                            @endforeach
                            <line class="base" x1="0" x2="{{ Bars::WIDTH }}" y1="{{ $bars->axis() }}" y2="{{ $bars->axis() }}" />
                        </svg>
                    </div>
                    <p class="legend sm soft"><span class="went">{{ $beside ? 'as changed' : 'as it is' }}</span>@if ($beside)<span class="beside">as it is on</span>@endif<span class="held">held before it left</span></p>
                    @php($bars = $page->hours())
                    <h2 class="mt-4 mb-1">By the hour of the day</h2>
                    <div class="scroll" tabindex="0" role="region" aria-label="Texts by the hour, drawn"><svg class="drawn bars" viewBox="0 0 {{ Bars::WIDTH }} {{ $bars->height() }}" role="img" aria-label="Texts by the hour of the day">
                        @foreach ($bars->all() as $bar)<rect class="held" x="{{ $bar['x'] }}" y="{{ $bar['top'] }}" width="{{ $bar['width'] }}" height="{{ $bar['held'] }}" /><rect class="went" x="{{ $bar['x'] }}" y="{{ $bar['top'] + $bar['held'] }}" width="{{ $bar['width'] }}" height="{{ $bar['texts'] }}" /><rect class="beside" x="{{ $bar['x'] }}" y="{{ $bars->axis() + 3 }}" width="{{ $bar['width'] }}" height="{{ $bar['below'] }}" />@if ($bar['i'] % 3 === 0)<text x="{{ $bar['x'] }}" y="{{ $bars->height() - 6 }}">{{ sprintf('%02d', $bar['i']) }}</text>@endif @endforeach
                        <line class="base" x1="0" x2="{{ Bars::WIDTH }}" y1="{{ $bars->axis() }}" y2="{{ $bars->axis() }}" />
                    </svg></div>
                    <h2 class="mt-4">What would not have gone</h2>
                    @if ($page->reasons() === [])<p class="soft">Nothing was in the way.</p>@else
                    <table class="table">@if ($beside)<thead><tr><th scope="col">Why</th><th scope="col" class="n">As changed</th><th scope="col" class="n">As it is on</th></tr></thead>@endif
                        @foreach ($page->reasons() as $reason)<tr><td>{{ $reason['says'] }}</td><td class="n"><a class="link" href="{{ $rows($reason['asked']) }}">{{ number_format($reason['many']) }}</a></td>@if ($beside)<td class="n">@if ($reason['beside'] > 0)<a class="link" href="{{ $rows([...$reason['asked'], 'side' => 'published']) }}">{{ number_format($reason['beside']) }}</a>@else<span class="soft">0</span>@endif</td>@endif</tr>@endforeach
                    </table>@endif
                </div>
                <aside>
                    <table class="table figures">
                        @if ($beside)<thead><tr><td></td><th scope="col" class="n">as changed</th><th scope="col" class="n">as it is on</th></tr></thead>@endif
                        <tr><th scope="row">Runs</th><td class="n"><a class="link" href="{{ $rows(['what' => 'runs']) }}">{{ number_format($figures->runs) }}</a></td>@if ($beside)<td class="n"><a class="link" href="{{ $rows(['what' => 'runs', 'side' => 'published']) }}">{{ number_format($beside->runs) }}</a></td>@endif</tr>
                        <tr><th scope="row">People texted</th><td class="n"><a class="link" href="{{ $rows(['what' => 'people']) }}">{{ number_format($figures->people) }}</a></td>@if ($beside)<td class="n"><a class="link" href="{{ $rows(['what' => 'people', 'side' => 'published']) }}">{{ number_format($beside->people) }}</a></td>@endif</tr>
                        <tr><th scope="row">Texts, parts</th><td class="n"><a class="link" href="{{ $rows() }}">{{ number_format($figures->texts) }}</a>, {{ number_format($figures->parts) }}</td>@if ($beside)<td class="n"><a class="link" href="{{ $rows(['side' => 'published']) }}">{{ number_format($beside->texts) }}</a>, {{ number_format($beside->parts) }}</td>@endif</tr>
                        <tr><th scope="row">Price</th><td class="n">{{ $figures->price($currency) }}</td>@if ($beside)<td class="n">{{ $beside->price($currency) }}</td>@endif</tr>
                        <tr><th scope="row">Busiest minute</th><td class="n">{{ $page->busiest($figures) }}</td>@if ($beside)<td class="n">{{ $page->busiest($beside) }}</td>@endif</tr>
                        <tr><th scope="row">Held, longest</th><td class="n"><a class="link" href="{{ $rows(['what' => 'held']) }}">{{ number_format($figures->held) }}</a>{{ $figures->held > 0 ? ', '.$page->lasting($figures->longest) : '' }}</td>@if ($beside)<td class="n"><a class="link" href="{{ $rows(['what' => 'held', 'side' => 'published']) }}">{{ number_format($beside->held) }}</a>{{ $beside->held > 0 ? ', '.$page->lasting($beside->longest) : '' }}</td>@endif</tr>
                        <tr><th scope="row">Came too late</th><td class="n"><a class="link" href="{{ $rows(['what' => 'late']) }}">{{ number_format($figures->late) }}</a></td>@if ($beside)<td class="n"><a class="link" href="{{ $rows(['what' => 'late', 'side' => 'published']) }}">{{ number_format($beside->late) }}</a></td>@endif</tr>
                    </table>
                    @if ($page->pace() !== null)<p class="soft sm mt-1">{{ $page->pace() }}.</p>@endif
                    @if ($page->acts() !== [])<p class="sm mt-2">Besides: {{ implode(', ', $page->acts()) }}.</p>@endif
                    @if (($examples = $page->examples())->isNotEmpty())
                        <h2 class="mt-5">{{ ucfirst(TimeFormatter::count($examples->count(), 'of them', 'of them')) }}, as {{ $examples->count() === 1 ? 'it' : 'they' }} would have read</h2>
                        @foreach ($examples as $text)
                            <div class="coming-text"><a class="link font-semibold" href="{{ route('rules.rehearsal.run', [$page->rule, $rehearsal, $text->side->value, $text->run]) }}">{{ $text->person?->name() }}</a> <span class="soft">@time($text->left_at, 'D j M H:i')</span>@if ($text->record) <span class="soft">{{ $text->record->called() }}</span>@endif
                                @if ($text->too_late)<x-tone tone="bad">{{ $page->late($text) }}</x-tone>@elseif ($text->held_by)<x-tone tone="held">held from @time($text->wanted_at, 'D H:i')</x-tone>@endif
                                <p class="mt-1">{{ $text->body }}</p></div>
                        @endforeach
                    @endif
                    <details class="mt-5"><summary class="link">What it takes for given, and cannot know</summary><ul class="list-disc pl-5 sm soft mt-1">@foreach ($page->assumed() as $one)<li class="mt-1">{{ $one }}</li>@endforeach</ul></details>
                </aside>
            </div>
        @endif
    @endif
    @if (($kept = $page->kept())->count() > 1)
        <h2 class="mt-6">Rehearsed before</h2>
        <table class="table">
            <thead><tr><th scope="col">When</th><th scope="col">Over</th><th scope="col">By</th><th scope="col">Which</th><th scope="col" class="n">People</th><th scope="col" class="n">Texts</th><th scope="col" class="n">Too late</th></tr></thead>
            @foreach ($kept as $one)
                @php($said = $one->summary[$one->side()->value] ?? null)
                <tr @if ($one->id === $rehearsal?->id) aria-current="true" @endif><td><a class="link" href="{{ route('rules.rehearsal', [$page->rule, $one]) }}">@time($one->asked_at, 'D j M H:i')</a></td><td>{{ TimeFormatter::count($one->days, 'day', 'days') }}</td><td>{{ $one->staff?->name ?? '–' }}</td><td>{{ $one->document === null ? 'as it was on' : 'with its changes' }}</td>
                    @if ($said === null)<td colspan="3" class="soft">{{ ['waiting' => 'waits', 'running' => 'under way', 'stopped' => 'stopped', 'failed' => 'failed'][$one->state->value] ?? '' }}</td>@else<td class="n">{{ number_format($said['people']) }}</td><td class="n">{{ number_format($said['texts']) }}</td><td class="n">{{ number_format($said['late']) }}</td>@endif</tr>
            @endforeach
        </table>
    @endif
    </div>
</x-page>
