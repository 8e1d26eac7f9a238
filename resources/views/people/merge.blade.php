@php use App\Clock\TimeFormatter; use Linnet\Core\Number\Numbers; @endphp
<x-page :title="'One person twice: '.$person->name()">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> / <a class="link" href="{{ route('people.show', $person) }}">{{ $person->name() }}</a> /</div>
    <h1>Is {{ $person->called() }} here twice?</h1>
    @if ($other === null)
        <p class="soft mb-3">Two entries for one person are put together: numbers, records, texts, notes, tasks and what was agreed to. It can be undone within a day.</p>
        <form class="filters" method="get" aria-label="Find the other entry"><label><span class="sm">Name or number</span><input class="input w-60" type="search" name="find" value="{{ $find }}"></label><button class="btn">Find</button></form>
        @php($rows = $find === '' ? $alike : $found->map(fn ($one): array => ['person' => $one, 'why' => ''])->all())
        @if (count($rows) === 0)
            <x-empty>{{ $find === '' ? 'Nobody has the same name or email, or a number that ends alike. Find the other entry by name.' : 'Nobody by that name or number.' }}</x-empty>
        @else
            <div class="table-wrap"><table class="table">
                <thead><tr><th scope="col">Name</th><th scope="col">Number</th><th scope="col">Email</th><th scope="col">Why it may be the same</th><th scope="col"><span class="sr-only">What can be done</span></th></tr></thead>
                <tbody>@foreach ($rows as $row)<tr><td><a class="link" href="{{ route('people.show', $row['person']) }}">{{ $row['person']->name() }}</a></td><td class="whitespace-nowrap">{{ $row['person']->number ? Numbers::pretty($row['person']->number->e164) : '–' }}</td><td>{{ $row['person']->email ?? '–' }}</td><td>{{ $row['why'] ?: '–' }}</td><td><a class="link" href="{{ route('people.merge', [$person, 'with' => $row['person']->id]) }}">Look at both</a></td></tr>@endforeach</tbody>
            </table></div>
        @endif
    @else
        <div class="table-wrap mt-3"><table class="table">
            <thead><tr><th scope="col"><span class="sr-only">What</span></th>@foreach ($entries as $one)<th scope="col">{{ $one->name() }}{{ $loop->first ? ', who stays' : ', who is taken in' }}</th>@endforeach</tr></thead>
            <tbody>
                <tr><th scope="row">Numbers</th>@foreach ($entries as $one)<td>{{ $one->numbers->sortByDesc('rank')->map(fn ($number) => Numbers::pretty($number->e164))->implode(', ') ?: '–' }}</td>@endforeach</tr>
                <tr><th scope="row">Email</th>@foreach ($entries as $one)<td>{{ $one->email ?? '–' }}</td>@endforeach</tr>
                <tr><th scope="row">Tags and lists</th>@foreach ($entries as $one)<td>{{ $one->labels->pluck('name')->implode(', ') ?: '–' }}</td>@endforeach</tr>
                <tr><th scope="row">Known since</th>@foreach ($entries as $one)<td>@time($one->added_at, 'j F Y')</td>@endforeach</tr>
                <tr><th scope="row">Records</th>@foreach ($entries as $one)<td>{{ number_format($one->records_count) }}</td>@endforeach</tr>
                <tr><th scope="row">Texts</th>@foreach ($entries as $one)<td>{{ number_format($one->messages_count) }}</td>@endforeach</tr>
            </tbody>
        </table></div>
        <h2 class="mt-5 mb-1">What it comes to</h2>
        <ul class="list-disc pl-5 max-w-2xl">
            <li>Texts go to {{ ($number = $entries[0]->numbers->sortByDesc('rank')->first() ?? $entries[1]->numbers->sortByDesc('rank')->first()) ? Numbers::pretty($number->e164) : 'no number yet' }}. What {{ $entries[0]->called() }} lacks is filled in from the other; what both have stays as it is with {{ $entries[0]->called() }}.</li>
            @foreach ($withdraws as $one)<li><b>{{ $one['scope'] === 'all' ? 'Stop' : 'No to offers' }}</b> was said from another of the numbers: it holds for {{ Numbers::pretty($one['number']) }} too.</li>@endforeach
            @foreach ($ending as $run)<li>Both are in the rule “{{ $run->rule->name }}”: the one that began @time($run->began_at, 'D j M H:i') ends, the earlier goes on.</li>@endforeach
            <li>Every other rule under way goes on. Conversations on the same line become one.</li>
        </ul>
        <form class="mt-4 flex gap-3" method="post" action="{{ route('people.merge.store', $person) }}">@csrf<button class="btn go" name="with" value="{{ $other->id }}">Put them together</button><a class="btn" href="{{ route('people.merge', [$other, 'with' => $person->id]) }}">Keep {{ $entries[1]->name() }} instead</a><button class="btn" name="with" value="{{ $other->id }}" formaction="{{ route('people.apart', $person) }}">They are two</button>@if ($by)<input type="hidden" name="by" value="{{ $by }}">@endif</form>
        <x-error name="with" />
    @endif
</x-page>
