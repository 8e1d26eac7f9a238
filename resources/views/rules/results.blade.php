@php use App\Clock\TimeFormatter; use App\Pages\Bars; @endphp
@php($sent = fn (array $asked): string => route('sent.index', ['rule' => $rule->id, 'from' => $results->since->date, ...$asked]))
@php($hasGoal = $results->value !== null)
<x-page :title="$rule->name.': results'">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / {{ $rule->written()->folder }}</div>
    <div class="head"><h1>{{ $rule->name }}</h1><p class="acts" aria-label="Over how many days">@foreach ([7, 30, 90] as $days)<a @class(['btn small', 'go' => $days === $results->days]) href="{{ route('rules.results', [$rule, 'days' => $days]) }}" @if ($days === $results->days) aria-current="true" @endif>{{ $days }} days</a>@endforeach</p></div>
    <x-rule-tabs :rule="$rule" />
    <p class="lead">Over the last {{ $results->days }} days it began <a href="{{ route('rules.runs', [$rule, 'from' => $results->since->date]) }}">{{ TimeFormatter::count($results->runs, 'time', 'times') }}</a> and sent <a href="{{ $sent(['state' => 'left']) }}">{{ TimeFormatter::count($results->all->sent, 'text', 'texts') }}</a> for {{ TimeFormatter::price($results->all->micros, $currency) }}.
        @if ($results->all->sent > 0)<a href="{{ $sent(['state' => 'answered']) }}">{{ ucfirst(TimeFormatter::count($results->all->answered->times, 'was answered', 'were answered')) }}</a>{{ $results->half === null ? '' : ', '.$results->pace($now) }}.@endif
        @if ($hasGoal)Its goal was met <a href="{{ route('rules.runs', [$rule, 'state' => 'goal', 'from' => $results->since->date]) }}">{{ TimeFormatter::count($results->met, 'time', 'times') }}</a>{{ $results->value > 0 ? ', worth '.TimeFormatter::money($results->value, $currency) : '' }}.@endif
        @if ($results->all->failed > 0)<a href="{{ $sent(['state' => 'failed']) }}">{{ ucfirst(TimeFormatter::count($results->all->failed, 'text', 'texts')) }}</a> failed.@endif</p>
    @if ($results->rows === [])
        <x-empty>This rule sends no texts, so there is nothing to count by wording.</x-empty>
    @else
        <div class="rehearsed">
            <div>
                @php($bars = $results->bars())
                <div class="scroll" tabindex="0" role="region" aria-label="Texts by day, drawn"><svg class="drawn bars came" viewBox="0 0 {{ Bars::WIDTH }} {{ $bars->height() }}" role="group" aria-label="Texts by day">
                    @foreach ($bars->marks() as $mark)<line class="axis" x1="0" x2="{{ Bars::WIDTH }}" y1="{{ $mark['y'] }}" y2="{{ $mark['y'] }}" /><text class="mark" x="{{ Bars::WIDTH }}" y="{{ $mark['y'] - 3 }}">{{ $mark['says'] }}</text>@endforeach
                    @foreach ($bars->all() as $bar)
                        @if ($bar['says'][0] > 0)<a href="{{ route('sent.index', ['rule' => $rule->id, 'state' => 'left', 'from' => $bar['name'], 'until' => $bar['name']]) }}" aria-label="{{ \Carbon\CarbonImmutable::parse($bar['name'])->format('D j M') }}: {{ TimeFormatter::count($bar['says'][0], 'text', 'texts') }}, {{ $bar['says'][1] }} answered"><rect class="hit" x="{{ $bar['x'] - 1 }}" y="14" width="{{ $bar['width'] + 2 }}" height="{{ $bars->height() - 36 }}" /><rect class="went" x="{{ $bar['x'] }}" y="{{ $bar['top'] }}" width="{{ $bar['width'] }}" height="{{ $bar['texts'] }}" /><rect class="answered" x="{{ $bar['x'] }}" y="{{ $bar['top'] + $bar['texts'] }}" width="{{ $bar['width'] }}" height="{{ $bar['held'] }}" /></a>@endif
                        @if ($bars->dayWord($bar['i']) !== '')<text x="{{ $bar['x'] }}" y="{{ $bars->height() - 6 }}">{{ $bars->dayWord($bar['i']) }}</text>@endif
                    @endforeach
                    <line class="base" x1="0" x2="{{ Bars::WIDTH }}" y1="{{ $bars->axis() }}" y2="{{ $bars->axis() }}" />
                </svg></div>
                <p class="legend sm soft came"><span class="answered">answered</span><span class="went">not answered</span></p>
            </div>
            <aside>
                <table class="table figures">
                    <tr><th scope="row">Passed the gate</th><td class="n"><a class="link" href="{{ $sent(['state' => 'left']) }}">{{ number_format($results->all->sent) }}</a></td></tr>
                    <tr><th scope="row">Arrived, as far as the carrier says</th><td class="n"><a class="link" href="{{ $sent(['state' => 'arrived']) }}">{{ number_format($results->all->arrived->times) }}</a></td></tr>
                    @foreach ($results->failed as [$why, $many, $code])<tr><th scope="row">{{ $why }}</th><td class="n"><a class="link" href="{{ $sent(array_filter(['state' => 'failed', 'reason' => $code])) }}">{{ number_format($many) }}</a></td></tr>@endforeach
                    <tr><th scope="row">Said stop to it</th><td class="n"><a class="link" href="{{ $sent(['state' => 'ended']) }}">{{ number_format($results->all->ended->times) }}</a></td></tr>
                </table>
                @if ($results->hasAnswers)
                    <h2 class="mt-5 mb-1">What they answered</h2>
                    <div hx-get="{{ route('rules.answers', [$rule, 'days' => $results->days]) }}" hx-trigger="load" aria-live="polite"><p class="soft sm">Counting…</p></div>
                @endif
                @if (count($results->versions) > 1)
                    @php([[$version, $came], [$earlier, $before]] = $results->versions)
                    <h2 class="mt-5 mb-1">Against the version before</h2>
                    <table class="table figures">
                        <thead><tr><td></td><th scope="col" class="n"><a class="link" href="{{ route('sent.index', ['rule' => $rule->id, 'version' => $version->number, 'state' => 'left']) }}">version {{ $version->number }}</a></th><th scope="col" class="n"><a class="link" href="{{ route('sent.index', ['rule' => $rule->id, 'version' => $earlier->number, 'state' => 'left']) }}">version {{ $earlier->number }}</a></th></tr></thead>
                        <tr><th scope="row">Texts, all their time</th><td class="n">{{ number_format($came->sent) }}</td><td class="n">{{ number_format($before->sent) }}</td></tr>
                        @foreach (['answered' => 'Answered', 'ended' => 'Said stop', 'opened' => 'Opened a link', 'met' => 'Goal met'] as $what => $word)
                            @if ($what !== 'met' || $hasGoal)<tr><th scope="row">{{ $word }}</th>@foreach ([$came, $before] as $one)<td class="n">@if ($one->sent === 0)–@else{{ round(100 * $one->{$what}->times / $one->sent) }} % <span class="soft sm">{{ floor(100 * $one->{$what}->low) }} to {{ ceil(100 * $one->{$what}->high) }}</span>@endif</td>@endforeach</tr>@endif
                        @endforeach
                    </table>
                    <p class="soft sm mt-1">{{ $results->apart() === [] ? 'Nothing sets them apart beyond chance.' : 'Its texts are '.implode('; ', $results->apart()).'.' }}</p>
                @endif
            </aside>
        </div>
        <h2 class="mt-5 mb-1">By wording</h2>
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">Words</th><th scope="col" class="n">Sent</th><th scope="col" class="n">Arrived</th><th scope="col" class="n">Failed</th><th scope="col">Answered</th><th scope="col">Said stop</th><th scope="col">Opened a link</th>@if ($hasGoal)<th scope="col">Goal met</th>@endif<th scope="col" class="n">Price</th></tr></thead>
            <tbody>
                @foreach ($results->rows as $row)
                    @php($of = ['step' => $row->step, 'wording' => $row->wording === '' ? '~' : $row->wording])
                    <tr>
                        <td class="max-w-md">@if ($loop->first || $results->rows[$loop->index - 1]->step !== $row->step)<span class="soft sm">Text {{ $row->letter === '' ? '“'.$row->step.'”' : $row->letter }}</span><br>@endif<x-words :words="$row->words" :tokens="$tokens" />@if ($row->best)<br><x-tone tone="well">answered more than the others, beyond chance</x-tone>@endif</td>
                        @foreach (['left' => $row->came->sent, 'arrived' => $row->came->arrived->times, 'failed' => $row->came->failed] as $state => $many)<td class="n">@if ($many > 0)<a class="link" href="{{ $sent([...$of, 'state' => $state]) }}">{{ number_format($many) }}</a>@else<span class="soft">0</span>@endif</td>@endforeach
                        @foreach ($row->came->shares($hasGoal) as $state => $share)
                            <td class="whitespace-nowrap">@if ($row->came->sent === 0)<span class="soft">–</span>@else<a class="link" href="{{ $sent([...$of, 'state' => $state]) }}">{{ number_format($share->times) }}</a> ({{ round(100 * $share->times / $share->of) }} %)<br><span class="soft sm">{{ floor(100 * $share->low) }} to {{ ceil(100 * $share->high) }} %</span>@endif</td>
                        @endforeach
                        <td class="n whitespace-nowrap">{{ TimeFormatter::price($row->came->micros, $currency) }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table></div>
        <p class="soft sm mt-2">The range beneath a share is where it lies with 95 % confidence, since a few texts tell little. One wording is called better only when these ranges do not meet. An answer counts for the text they had last, within seven days.</p>
    @endif
</x-page>
