<x-page :title="$rule->name.': runs'">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / {{ $rule->written()->folder }}</div>
    <h1>{{ $rule->name }}</h1>
    <x-rule-tabs :rule="$rule" />
    <h2>{{ $asked['state'] === 'live' ? 'Under way' : 'Runs' }}</h2>
    <p class="soft">Each run is one journey of one {{ $rule->written()->trigger->type() === \Linnet\Core\Record\RecordType::PERSON ? 'person' : str_replace('_', ' ', $rule->written()->trigger->type()) }} through this rule.</p>
    <form class="filters" method="get" aria-label="Which runs">
        <label><span class="sm">State</span><select class="input" name="state"><option value="">Any</option>@foreach (['live' => 'under way', 'ended' => 'ended', 'goal' => 'goal met'] as $state => $word)<option value="{{ $state }}" @selected($asked['state'] === $state)>{{ $word }}</option>@endforeach</select></label>
        <label><span class="sm">Began from</span><input class="input w-36" type="date" name="from" value="{{ $asked['from'] }}"></label>
        <label><span class="sm">Name or number</span><input class="input w-40" type="search" name="find" value="{{ $asked['find'] }}"></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected($asked['order'] === 'oldest')>Oldest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    <p class="mb-1 flex gap-4"><x-export />@can('converse')@if ($rule->version && $rule->power->value === 'on')<a class="link sm" href="{{ route('rules.starts', $rule) }}">Start it for several…</a>@endif @endcan</p>
    @if ($page->runs->isEmpty())
        <x-empty>No runs here{{ array_filter(array_diff_key($asked, ['order' => 1])) === [] ? ' yet. One begins whenever the rule starts for somebody.' : ' that fit.' }}</x-empty>
    @else
        @php($ticks = Gate::allows('converse') && collect($page->runs->items())->contains('live', true))
        @if ($ticks)<form id="decide" method="post" action="{{ route('rules.runs.decide', $rule) }}">@csrf</form>@endif
        <div class="table-wrap"><table class="table">
            <thead><tr>@if ($ticks)<th scope="col" class="!pr-2"><input type="checkbox" class="tick" aria-label="Tick all under way on this page" x-data="tickAll" x-on:change="all"></th>@endif<th scope="col">Who</th><th scope="col">Began</th><th scope="col" class="n">Texts</th><th scope="col">State</th><th scope="col">What comes next, or why it ended</th></tr></thead>
            <tbody>
            @foreach ($page->runs as $run)
                <tr>
                    @if ($ticks)<td class="!pr-2">@if ($run->live)<input type="checkbox" class="tick" name="ticked[{{ $run->id }}]" value="{{ $run->readState()->place() }}" form="decide" aria-label="Tick {{ $run->person->name() }}">@endif</td>@endif
                    <td><a class="link" href="{{ route('people.show', $run->person_id) }}">{{ $run->person->name() }}</a>@if ($run->record)<br><a class="link sm" href="{{ route('records.show', [$run->record->type, $run->record]) }}">{{ $run->record->called() }}</a>@endif</td>
                    <td class="whitespace-nowrap">@time($run->began_at, 'D j M H:i')</td>
                    <td class="n"><a class="link" href="{{ route('sent.index', ['run' => $run->id, 'state' => 'left']) }}">{{ $page->left($run) }}</a></td>
                    <td class="whitespace-nowrap">@if ($run->live)<x-tone tone="plain">under way</x-tone>@elseif ($run->outcome === 'goal')<x-tone tone="well">goal met</x-tone>@else<x-tone tone="plain" icon="check">ended</x-tone>@endif @if ($run->ended_at)<br><span class="soft sm">@time($run->ended_at, 'D j M H:i')</span>@endif</td>
                    <td class="max-w-md">@if ($run->live && ($next = $page->coming($run)))<x-coming-text :text="$next" :whose="false" dated />@else @if ($run->live)@if ($run->timer?->due_at && $run->outcome === null)Next look @time($run->timer->due_at, 'D j M H:i').@else{{ ucfirst(\App\Pages\Rules\RunsPage::waitsFor($run)) }}@if ($run->timer?->due_at), until @time($run->timer->due_at, 'D j M H:i')@endif{{ '.' }}@endif @endif @if ($why = $page->because($run))@if ($run->live)<br>@endif<span class="soft sm">{{ $why }}</span>@endif @endif</td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        @if ($ticks)
            <div class="flex gap-3 mt-3 items-end flex-wrap" role="group" aria-label="For the ticked">
                <button class="btn small" form="decide" name="do" value="hurry">Wait no longer</button>
                <button class="btn small" form="decide" name="do" value="skip">Skip the step</button>
                <button class="btn small" form="decide" name="do" value="stop">Stop them</button>
                <span class="flex gap-2 items-end flex-wrap"><label><span class="label">Go on at</span><select class="input max-w-[min(20rem,72vw)]" form="decide" name="step"><option value="">choose</option>@foreach (\App\Pages\Rules\RunsPage::places($rule) as $step => $says)<option value="{{ $step }}">{{ $says }}</option>@endforeach</select></label><button class="btn small" form="decide" name="do" value="move">Move them there</button></span>
            </div>
            <p class="soft sm mt-1">For the ticked. Whoever goes on does so with every safeguard; a text that waits at a step that is skipped or left is dropped. Who is stopped hears no more of this rule; that cannot be undone.</p>
            <x-error name="ticked" /><x-error name="step" />
        @endif
        <x-pages :list="$page->runs" />
    @endif
</x-page>
