<x-page :title="'Start '.$page->rule->name">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / <a class="link" href="{{ route('rules.show', $page->rule) }}">{{ $page->rule->name }}</a> / <a class="link" href="{{ route('rules.runs', [$page->rule, 'state' => 'live']) }}">Under way</a></div>
    <h1>Start it for several</h1>
    <p class="soft mb-4">First it is looked at whom it can be started for; nothing happens before you say so.</p>
    <form class="flex gap-2 flex-wrap items-end" method="get" action="{{ route('rules.starts', $page->rule) }}">
        <label><span class="label">Start it for</span><select class="input max-w-md" name="of"><option value="">choose</option>@foreach ($page->groups as $of => $says)<option value="{{ $of }}" @selected($of === $page->of)>{{ $says }}</option>@endforeach</select></label>
        <button class="btn">Look</button>
    </form>
    <p class="soft sm mt-1">{{ $page->type === null ? 'Lists and tags are given on a person’s page or by a rule.' : 'A list of '.mb_strtolower($page->type->plural).' is kept on their page, with “Keep this list”.' }}</p>
    <x-error name="of" />
    @if (isset($page->groups[$page->of]))
        @if ($page->isTooMany)
            <p class="note mt-4">These are more than {{ \App\Pages\Rules\StartsPage::MOST }}. By hand it is started for so many at most; choose a narrower list, or let the rule begin by itself.</p>
        @else
            <h2 class="mt-6 mb-1">{{ $page->able === [] ? 'It can be started for nobody' : 'It would start for '.number_format(count($page->able)) }}</h2>
            @if ($page->able !== [])
                <form method="post" action="{{ route('rules.starts.store', $page->rule) }}">@csrf<input type="hidden" name="of" value="{{ $page->of }}"><input type="hidden" name="many" value="{{ count($page->able) }}"><input type="hidden" name="once" value="{{ Str::uuid() }}"><button class="btn go">Start it for {{ number_format(count($page->able)) }}</button></form>
            @endif
            @if ($page->lacking !== [])
                <h2 class="mt-6 mb-1">{{ number_format(count($page->lacking)) }} left out</h2>
                <div class="table-wrap"><table class="table"><thead><tr><th scope="col">Who</th><th scope="col">What is missing</th></tr></thead><tbody>
                    @foreach ($page->lacking as [$who, $why])<tr><td class="whitespace-nowrap">{{ $who }}</td><td>{{ $why }}</td></tr>@endforeach
                </tbody></table></div>
            @endif
        @endif
    @endif
</x-page>
