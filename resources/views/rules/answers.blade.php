@forelse ($answers as [$letter, $label, $many, $asked])
    @if ($loop->first)<table class="table figures">@endif
    <tr><th scope="row">{{ $label }}@if ($letter !== '') <span class="soft sm">to text {{ $letter }}</span>@endif</th><td class="n"><a class="link" href="{{ route('rules.runs', [$rule, 'answer' => $asked, 'answered_from' => $since->date]) }}">{{ number_format($many) }}</a></td></tr>
    @if ($loop->last)</table>@endif
@empty
    <p class="soft sm">Nothing in these days.</p>
@endforelse
