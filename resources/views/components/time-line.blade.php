@props(['page'])
@php($here = fn (array $if): string => route('rules.show', ['rule' => $page->rule, 'sample' => $page->sample->id, 'if' => array_values($if)]))
<x-drawn-time :time-line="$page->timeLine">
    <span>As it would go for
        <details class="word" @if ($page->sought !== '') open @endif><summary>{{ $page->sample->says }}</summary>
            <form class="change w-[380px] max-w-[86vw]" method="get" action="{{ route('rules.show', $page->rule) }}" role="search">
                <input type="hidden" name="sample" value="{{ $page->sample->id }}">@foreach ($page->whatIf->sentences as $one)<input type="hidden" name="if[]" value="{{ $one }}">@endforeach
                <label class="label" for="sample">Another one, by a name, a title or a number</label>
                <div class="row"><input class="input" id="sample" name="find" type="search" value="{{ $page->sought }}" autocomplete="off" maxlength="80" aria-controls="samples"
                    hx-get="{{ route('rules.samples', $page->rule) }}" hx-include="closest form" hx-trigger="input changed delay:150ms, toggle from:closest details once" hx-target="#samples" hx-swap="innerHTML"><button class="btn small go">Find</button></div>
                <ul class="found" id="samples" aria-label="Found">@includeWhen($page->sought !== '', 'rules.samples', ['rule' => $page->rule, 'samples' => $page->samples, 'chosen' => $page->sample->id, 'if' => $page->whatIf->sentences])</ul>
            </form></details>{{ $page->whatIf->sentences === [] ? ', if nobody answers' : ', if ' }}@foreach ($page->whatIf->sentences as $i => $one){{ $loop->first ? '' : ' and ' }}<b>{{ $one }}</b> <a class="link sm" href="{{ $here(array_diff_key($page->whatIf->sentences, [$i => 1])) }}" aria-label="No longer suppose that {{ $one }}">×</a>@endforeach
        <details class="word ml-2" @if ($page->whatIf->wrong !== []) open @endif><summary class="sm">what if …</summary>
            <form class="change line-form w-[460px] max-w-[86vw]" method="get" action="{{ route('rules.show', $page->rule) }}" x-data="writeLine" data-completions="{{ route('rules.completions', ['rule' => $page->rule, 'sample' => $page->sample->id]) }}" data-which="what if">
                <input type="hidden" name="sample" value="{{ $page->sample->id }}">@foreach ($page->whatIf->sentences as $one)<input type="hidden" name="if[]" value="{{ $one }}">@endforeach
                <label class="label" for="what-if">Something that might happen to {{ $page->receiver->who }}</label>
                <div class="writing-line">
                    <input class="input" id="what-if" name="if[]" value="{{ array_key_first($page->whatIf->wrong) }}" placeholder="they answer YES after text a" autocomplete="off" spellcheck="false" role="combobox" aria-autocomplete="list" aria-expanded="false" aria-controls="what-if-list" x-ref="text" x-on:input="typed" x-on:keydown="key" x-on:focus="look" @if ($page->whatIf->wrong !== []) aria-invalid="true" aria-describedby="what-if-error" @endif>
                    <ul class="offers" id="what-if-list" role="listbox" aria-label="What may come next" x-ref="list" x-on:mousedown.prevent="pick" hidden></ul>
                </div>
                @foreach ($page->whatIf->wrong as $why)<p class="error" role="alert" id="what-if-error"><x-icon name="circle-alert" />{{ $why }}</p>@endforeach
                <button class="btn small go mt-2">Suppose it</button>
            </form></details>
        @can('administer')<details class="word ml-2"><summary class="sm">keep it as an example …</summary>
            <form class="change w-[400px] max-w-[86vw]" method="post" action="{{ route('rules.examples.store', $page->query()) }}">@csrf
                <p class="soft sm mb-2">An example is somebody made up, with the values of this {{ $page->sample->noun === 'now' ? 'person' : $page->sample->noun }}. Whenever the rule is changed, it is looked at whether the same texts come.</p>
                <label class="label" for="example-name">Called</label><input class="input w-full" id="example-name" name="name" maxlength="80" placeholder="{{ implode(' and ', $page->whatIf->sentences) ?: 'nobody answers' }}">
                <div class="flex gap-2 mt-2"><button class="btn small go" name="of" value="sample">Keep it</button><button class="btn small" name="of" value="nobody">Make up somebody else</button></div>
            </form></details>@endcan</span>
    <span class="soft">hours shown in {{ \App\Clock\TimeFormatter::place($page->receiver->zone) }}, where {{ $page->receiver->who }} is</span>
</x-drawn-time>
