@props(['page'])
<x-drawn-time :time-line="$page->timeLine">
    <span>As it would go for
        <details class="word"><summary>{{ $page->sample->says }}</summary>
        <form class="change" method="get" action="{{ route('rules.show', $page->rule) }}">
            <label class="label" for="sample">Another one</label>
            <div class="row"><select class="input" id="sample" name="sample">@foreach ($page->samples as $sample)<option value="{{ $sample->id }}" @selected($sample->id === $page->sample->id)>{{ $sample->says }}</option>@endforeach</select><button class="btn small go">Show</button></div>
        </form></details>, if nobody answers</span>
    <span class="soft">hours shown in {{ \App\Clock\Said::place($page->receiver->zone) }}, where {{ $page->receiver->who }} is</span>
</x-drawn-time>
