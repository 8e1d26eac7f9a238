<x-page title="Rules">
    <div class="head"><div><h1>Rules</h1><p class="soft">What texts by itself, and whether it works.</p></div><div class="acts"><a class="btn" href="{{ route('results') }}">This month’s results</a>@can('administer')<a class="btn go" href="{{ route('rules.begin') }}">Write a rule</a>@endcan</div></div>
    <form class="filters" method="get" aria-label="Which rules">
        <label><span class="sm">Name</span><input class="input w-60" type="search" name="find" value="{{ $asked['find'] }}"></label>
        @if ($folders !== [])<label><span class="sm">Folder</span><select class="input" name="folder"><option value="">Any</option>@foreach ($folders as $folder)<option @selected($asked['folder'] === $folder)>{{ $folder }}</option>@endforeach</select></label>@endif
        <label><span class="sm">State</span><select class="input" name="power"><option value="">Any</option><option value="on" @selected($asked['power'] === 'on')>on</option><option value="paused" @selected($asked['power'] === 'paused')>off</option><option value="retired" @selected($asked['power'] === 'retired')>retired</option></select></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="name">By name</option><option value="newest" @selected($asked['order'] === 'newest')>Newest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    <div class="mb-1 flex gap-4 flex-wrap items-baseline"><x-export />
        @can('administer')<a class="link sm" href="{{ route('rules.starters') }}">Begin with a starter</a><details class="word"><summary class="link sm">Take in a rule’s file</summary><form class="change" method="post" action="{{ route('rules.store') }}" enctype="multipart/form-data">@csrf<label class="label" for="rule-file">A rule in sentences (text) or as a document (JSON)</label><div class="row"><input class="input" type="file" id="rule-file" name="file" accept=".json,.txt"><button class="btn go small">Take it in</button></div></form></details><x-error name="file" />@endcan</div>
    @if ($rules->isEmpty())
        <x-empty>No rules here{{ $asked['find'] || $asked['power'] || $asked['folder'] ? ' that fit' : ' yet' }}.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">Rule</th><th scope="col">State</th><th scope="col" class="n">Under way</th><th scope="col" class="n">Texts, 30 days</th><th scope="col" class="n">Answered</th><th scope="col">Last problem</th></tr></thead>
            <tbody>
            @foreach ($rules as $rule)
                <tr>
                    <td class="max-w-md"><a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a><br><span class="soft sm">{{ \App\Pages\Rules\Writing::inOneSentence($language, $rule->written()) }}</span></td>
                    <td class="whitespace-nowrap">@if ($rule->power->value === 'on')<x-tone tone="well">on</x-tone>@else<x-tone tone="held" icon="pause">{{ $rule->power->value === 'retired' ? 'retired' : 'off' }}</x-tone>@endif @if ($rule->draft)<br><span class="soft sm">changes not published</span>@endif</td>
                    <td class="n"><a class="link" href="{{ route('rules.runs', [$rule, 'state' => 'live']) }}">{{ $rule->live_count }}</a></td>
                    <td class="n"><a class="link" href="{{ route('sent.index', ['rule' => $rule->id, 'state' => 'left', 'from' => $since->date]) }}">{{ $texts[$rule->id]->texts ?? 0 }}</a></td>
                    <td class="n"><a class="link" href="{{ route('sent.index', ['rule' => $rule->id, 'state' => 'answered', 'from' => $since->date]) }}">{{ $texts[$rule->id]->answered ?? 0 }}</a></td>
                    <td class="max-w-60">@if ($problem = $problems[$rule->id] ?? null)<x-reason :reason="$problem->reason" /><br><span class="soft sm">@time($problem->at, 'D j M H:i')</span>@else<span class="soft">none</span>@endif</td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        <x-pages :list="$rules" />
    @endif
</x-page>
