<x-page title="People">
    <div class="head"><div><h1>People</h1><p class="soft">Everybody who can be texted, or has written to us.</p></div>
        <div class="acts flex-wrap">@can('administer')<a class="btn" href="{{ route('imports.index', ['type' => 'person']) }}">Take in a file</a>@endcan @can('administer')<a class="btn" href="{{ route('people.twice') }}">Here twice?</a>@endcan @can('view')<a class="btn" href="{{ route('audiences.index') }}">Audiences</a>@endcan @can('converse')@can('view')<a class="btn go" href="{{ route('people.create') }}">Add somebody</a>@endcan @endcan</div></div>
    <form class="filters" method="get" aria-label="Which people">
        <label><span class="sm">Name or number</span><input class="input w-60" type="search" name="find" value="{{ $asked['find'] }}"></label>
        @if (count($audiences) > 0)<label><span class="sm">In the audience</span><select class="input max-w-52" name="audience"><option value="">any</option>@foreach ($audiences as $id => $name)<option value="{{ $id }}" @selected((int) $asked['audience'] === $id)>{{ $name }}</option>@endforeach</select></label>@endif
        @if ($labels['tag'] !== [] || $labels['list'] !== [])<label><span class="sm">Tag or list</span><select class="input max-w-44" name="label"><option value="">any</option>@foreach ($labels as $kind => $names)@foreach ($names as $name)<option value="{{ $kind.':'.$name }}" @selected($asked['label'] === "$kind:$name")>{{ $kind === 'list' ? 'on ' : '' }}{{ $name }}</option>@endforeach @endforeach</select></label>@endif
        <label><span class="sm">Order</span><select class="input" name="order"><option value="name">By name</option><option value="newest" @selected($asked['order'] === 'newest')>Newest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    @can('view')<div class="mb-1 flex gap-4 items-center"><x-export /><a class="link sm" href="{{ request()->fullUrlWithQuery(['as' => 'vcard', 'page' => null]) }}" download>as contacts (vCard)</a>
        <details class="word"><summary class="link sm">Columns</summary>
            <form class="change" method="post" action="{{ route('people.columns') }}">@csrf @method('put')
                @foreach ($columns->there as $key => $called)<label class="flex gap-2 items-center mb-1"><input type="checkbox" class="tick" name="cols[]" value="{{ $key }}" @checked(in_array($key, $columns->shown, true))> {{ $called }}</label>@endforeach
                <button class="btn go small mt-1">Show these</button>
            </form></details><x-error name="cols" /></div>@endcan
    @if ($people->isEmpty())
        <x-empty>Nobody here{{ $asked['find'] || $asked['audience'] || $asked['label'] ? ' that is so' : ' yet. People appear when a source brings them, or when they write to one of the lines' }}.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr>@can('administer')<th scope="col" class="!pr-2"><input type="checkbox" class="tick" aria-label="Tick all on this page" x-data="tickAll" x-on:change="all"></th>@endcan<th scope="col">Name</th>@foreach ($columns->shown as $column)<th scope="col">{{ $columns->there[$column] }}</th>@endforeach</tr></thead>
            <tbody>
            @foreach ($people as $person)
                <tr>
                    @can('administer')<td class="!pr-2"><input type="checkbox" class="tick" name="ticked[]" value="{{ $person->id }}" form="ticked" aria-label="Tick {{ $person->name() }}"></td>@endcan
                    <td><a class="link" href="{{ route('people.show', $person) }}">{{ $person->name() }}</a></td>
                    @foreach ($columns->shown as $column)<td @class(['whitespace-nowrap' => in_array($column, ['number', 'since'], true)])>@if ($column !== 'may'){{ $columns->cell($column, $person) }}@elseif ($columns->hasStopped($person))<x-tone tone="bad" icon="ban">said stop</x-tone>@elseif ($person->number && ! $person->number->kind->takesTexts())<x-tone tone="plain">takes no texts</x-tone>@else<x-tone tone="well">yes</x-tone>@endif</td>@endforeach
                </tr>
            @endforeach
            </tbody>
        </table></div>
        @can('administer')
            <form id="ticked" method="post" action="{{ route('several.store') }}">@csrf<input type="hidden" name="type" value="person"></form>
            <div class="acts-bar" role="group" aria-label="With the ticked">
                <button class="btn small" form="ticked">Write to the ticked</button>
                <label><span class="label">Or</span><select class="input" name="what" form="ticked"><option value="add tag">give them the tag</option><option value="remove tag">take away the tag</option><option value="add list">put them onto the list</option><option value="remove list">take them off the list</option>@foreach ($settable as $key => $called)<option value="set {{ $key }}">set their {{ $called }}</option>@endforeach</select></label>
                <label><span class="label">Called, or set to</span><input class="input w-40" name="name" form="ticked" maxlength="500" list="labels-known"></label><datalist id="labels-known">@foreach (array_merge(...array_values($labels)) as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
                <button class="btn small" form="ticked" formmethod="get" formaction="{{ route('people.bulk') }}">See what it comes to</button>
                <x-error name="bulk" /><x-error name="ticked" /><x-error name="name" />
            </div>
        @endcan
        <x-pages :list="$people" />
    @endif
</x-page>
