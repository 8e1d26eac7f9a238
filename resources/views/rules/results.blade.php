<x-page :title="$rule->name.': results'">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / {{ $rule->written()->folder }}</div>
    <h1>{{ $rule->name }}</h1>
    <x-rule-tabs :rule="$rule" />
    <h2>Results</h2>
    <p class="soft mb-3">Over the last {{ $results->days }} days it began <a class="link" href="{{ route('rules.runs', [$rule, 'from' => $results->since->date]) }}">{{ number_format($results->runs) }}</a> {{ $results->runs === 1 ? 'time' : 'times' }}@if ($results->value !== null), and its goal was met <a class="link" href="{{ route('rules.runs', [$rule, 'state' => 'goal', 'from' => $results->since->date]) }}">{{ number_format($results->met) }}</a> {{ $results->met === 1 ? 'time' : 'times' }}{{ $results->value > 0 ? ', worth '.\App\Clock\TimeFormatter::money($results->value, $currency) : '' }}@endif{{ '.' }}</p>
    <p class="flex gap-4 mb-4" aria-label="Over how many days">@foreach ([7, 30, 90] as $days)<a @class(['link', 'font-semibold' => $days === $results->days]) href="{{ route('rules.results', [$rule, 'days' => $days]) }}" @if ($days === $results->days) aria-current="true" @endif>{{ $days }} days</a>@endforeach</p>
    @if ($results->rows === [])
        <x-empty>This rule sends no texts, so there is nothing to count by wording.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">Words</th><th scope="col" class="n">Left</th><th scope="col">Answered</th><th scope="col">Said stop</th><th scope="col">Opened a link</th>@if ($results->value !== null)<th scope="col">Goal met</th>@endif</tr></thead>
            <tbody>
                @foreach ($results->rows as $row)
                    <tr>
                        <td class="max-w-md">@if ($loop->first || $results->rows[$loop->index - 1]->step !== $row->step)<span class="soft sm">Text “{{ $row->step }}”</span><br>@endif<x-words :words="$row->words" :tokens="$tokens" />@if ($row->best)<br><x-tone tone="well">answered more than the others, beyond chance</x-tone>@endif</td>
                        <td class="n"><a class="link" href="{{ route('sent.index', ['rule' => $rule->id, 'step' => $row->step, 'wording' => $row->wording === '' ? '~' : $row->wording, 'state' => 'left', 'from' => $results->since->date]) }}">{{ number_format($row->sent) }}</a></td>
                        @foreach ($results->value !== null ? [$row->answered, $row->ended, $row->opened, $row->met] : [$row->answered, $row->ended, $row->opened] as $share)
                            <td class="whitespace-nowrap">@if ($row->sent === 0)<span class="soft">–</span>@else{{ number_format($share->times) }} ({{ round(100 * $share->times / $share->of) }} %)<br><span class="soft sm">between {{ floor(100 * $share->low) }} and {{ ceil(100 * $share->high) }} %</span>@endif</td>
                        @endforeach
                    </tr>
                @endforeach
            </tbody>
        </table></div>
        <p class="soft sm mt-2">“Between” is where the share lies with 95 % confidence, since a few texts tell little. One wording is called better only when these ranges do not meet. An answer counts for the text they had last, within seven days.</p>
    @endif
</x-page>
