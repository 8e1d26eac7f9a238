<x-page title="People">
    <div class="head"><div><h1>People</h1><p class="soft">Everybody who can be texted, or has written to us.</p></div>
        <div class="acts flex-wrap">@can('administer')<a class="btn" href="{{ route('imports.index', ['type' => 'person']) }}">Take in a file</a>@endcan @can('view')<a class="btn" href="{{ route('audiences.index') }}">Audiences</a>@endcan @can('converse')@can('view')<a class="btn go" href="{{ route('people.create') }}">Add somebody</a>@endcan @endcan</div></div>
    <form class="filters" method="get" aria-label="Which people">
        <label><span class="sm">Name or number</span><input class="input w-60" type="search" name="find" value="{{ $asked['find'] }}"></label>
        @if (count($audiences) > 0)<label><span class="sm">In the audience</span><select class="input max-w-52" name="audience"><option value="">any</option>@foreach ($audiences as $id => $name)<option value="{{ $id }}" @selected((int) $asked['audience'] === $id)>{{ $name }}</option>@endforeach</select></label>@endif
        @if ($labels['tag'] !== [] || $labels['list'] !== [])<label><span class="sm">Tag or list</span><select class="input max-w-44" name="label"><option value="">any</option>@foreach ($labels as $kind => $names)@foreach ($names as $name)<option value="{{ $kind.':'.$name }}" @selected($asked['label'] === "$kind:$name")>{{ $kind === 'list' ? 'on ' : '' }}{{ $name }}</option>@endforeach @endforeach</select></label>@endif
        <label><span class="sm">Order</span><select class="input" name="order"><option value="name">By name</option><option value="newest" @selected($asked['order'] === 'newest')>Newest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    @can('view')<p class="mb-1 flex gap-4"><x-export /><a class="link sm" href="{{ request()->fullUrlWithQuery(['as' => 'vcard', 'page' => null]) }}" download>as contacts (vCard)</a></p>@endcan
    @if ($people->isEmpty())
        <x-empty>Nobody here{{ $asked['find'] || $asked['audience'] || $asked['label'] ? ' that is so' : ' yet. People appear when a source brings them, or when they write to one of the lines' }}.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr>@can('administer')<th scope="col" class="!pr-2"><input type="checkbox" class="tick" aria-label="Tick all on this page" x-data="tickAll" x-on:change="all"></th>@endcan<th scope="col">Name</th><th scope="col">Number</th><th scope="col">Kind</th><th scope="col">Where</th><th scope="col">May we text them?</th></tr></thead>
            <tbody>
            @foreach ($people as $person)
                <tr>
                    @can('administer')<td class="!pr-2"><input type="checkbox" class="tick" name="ticked[]" value="{{ $person->id }}" form="ticked" aria-label="Tick {{ $person->name() }}"></td>@endcan
                    <td><a class="link" href="{{ route('people.show', $person) }}">{{ $person->name() }}</a></td>
                    <td class="whitespace-nowrap">{{ $person->number ? \Linnet\Core\Number\Numbers::pretty($person->number->e164) : '–' }}</td>
                    <td>{{ $person->number?->kind->value === 'either' ? 'mobile or landline' : $person->number?->kind->value }}</td>
                    <td>{{ $person->zone ? \App\Clock\TimeFormatter::place($person->zone) : ($person->number ? (count($person->number->zones) === 1 ? \App\Clock\TimeFormatter::place($person->number->zones[0]) : count($person->number->zones).' time zones possible') : '–') }}</td>
                    <td>@if ($stopped[$person->number?->e164] ?? false)<x-tone tone="bad" icon="ban">said stop</x-tone>@elseif ($person->number && ! $person->number->kind->takesTexts())<x-tone tone="plain">takes no texts</x-tone>@else<x-tone tone="well">yes</x-tone>@endif</td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        @can('administer')
            <form id="ticked" method="post" action="{{ route('several.store') }}">@csrf<input type="hidden" name="type" value="person"></form>
            <div class="acts-bar" role="group" aria-label="With the ticked">
                <button class="btn small" form="ticked">Write to the ticked</button>
                <label><span class="label">Or</span><select class="input" name="what" form="ticked"><option value="add tag">give them the tag</option><option value="remove tag">take away the tag</option><option value="add list">put them onto the list</option><option value="remove list">take them off the list</option></select></label>
                <label><span class="label">Called</span><input class="input w-40" name="name" form="ticked" maxlength="60" list="labels-known"></label><datalist id="labels-known">@foreach (array_merge(...array_values($labels)) as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
                <button class="btn small" form="ticked" formmethod="get" formaction="{{ route('people.bulk') }}">See what it comes to</button>
                <x-error name="bulk" /><x-error name="ticked" /><x-error name="name" />
            </div>
        @endcan
        <x-pages :list="$people" />
    @endif
</x-page>
