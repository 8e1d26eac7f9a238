@php use App\Models\SeveralPerson; use App\Sentences\Sentence; use App\Sentences\ShortReason; @endphp
<x-page :title="$several->rule->name.': who'">
    <div class="crumb"><a class="link" href="{{ route('conversations.index') }}">Conversations</a> / <a class="link" href="{{ route('several.index') }}">Texts to several</a> / <a class="link" href="{{ route('several.show', $several) }}">{{ $several->rule->name }}</a> /</div>
    <h1>{{ match (true) { $outcome === '' => 'All of them', $outcome === SeveralPerson::GETS => 'Who gets it', $outcome === SeveralPerson::WAITS => 'Who gets it later than is looked ahead', default => 'Who does not: '.ShortReason::of($outcome) } }}</h1>
    <form class="filters" method="get" aria-label="Which of them"><label><span class="sm">Which</span><select class="input" name="outcome"><option value="">all of them</option>@if ($page->getIt() > $page->wait())<option value="gets" @selected($outcome === SeveralPerson::GETS)>who get it</option>@endif @if ($page->wait() > 0)<option value="waits" @selected($outcome === SeveralPerson::WAITS)>who get it later</option>@endif @foreach ($page->without() as $one)<option value="{{ $one['outcome'] }}" @selected($outcome === $one['outcome'])>{{ $one['says'] }}</option>@endforeach</select></label><button class="btn">Show</button></form>
    @if ($people->isEmpty())
        <x-empty>Nobody.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">Who</th><th scope="col">About</th><th scope="col">When</th><th scope="col">Text, or why not</th><th scope="col" class="n">Parts</th></tr></thead>
            <tbody>@foreach ($people as $one)<tr>
                <td class="whitespace-nowrap"><a class="link" href="{{ route('people.show', $one->person_id) }}">{{ $one->person->name() }}</a></td>
                <td>@if ($one->record)<a class="link" href="{{ route('records.show', [$one->record->type, $one->record]) }}">{{ $one->record->called() }}</a>@else–@endif</td>
                <td class="whitespace-nowrap">@if ($one->leaves_at)@time($one->leaves_at, 'D j M H:i')@else–@endif</td>
                <td class="max-w-md">@if ($one->outcome === SeveralPerson::GETS){{ $one->body }}@if ($one->reason)<br><span class="soft sm">{{ Sentence::of($one->reason) }}</span>@endif @elseif ($one->reason){{ Sentence::of($one->reason) }}@else<span class="soft">not asked yet</span>@endif</td>
                <td class="n">{{ $one->parts ?: '–' }}</td>
            </tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$people" />
    @endif
</x-page>
