<x-page :title="$type->plural">
    <div class="head">
        <div><h1>{{ $type->plural }}</h1></div>
        <div class="acts flex-wrap">
            @if ($type->start_field)<a class="btn" href="{{ route('records.calendar', $type) }}">Calendar</a>@endif
            @if ($type->stage_field)<a class="btn" href="{{ route('records.board', $type) }}">Board</a>@endif
            @can('converse')@can('view')<a class="btn go" href="{{ route('records.create', $type) }}">Add {{ preg_match('/^[aeiou]/i', $type->name) ? 'an' : 'a' }} {{ mb_strtolower($type->name) }}</a>@endcan @endcan
        </div>
    </div>
    <x-record-tabs :type="$type" :types="$types" />
    @if ($saved->isNotEmpty())
        <p class="flex gap-x-4 gap-y-1 flex-wrap mb-1 sm"><span class="soft">Kept lists:</span>
            @foreach ($saved as $list)<span><a class="link" href="{{ route('records.index', [$type, ...$list->asked]) }}">{{ $list->name }}</a>@can('administer')<form class="inline" method="post" action="{{ route('records.forget', [$type, $list]) }}">@csrf @method('delete')<button class="icon-button" title="Forget the list {{ $list->name }}"><x-icon name="x" /><span class="sr-only">Forget the list {{ $list->name }}</span></button></form>@endcan</span>@endforeach</p>
    @endif
    @if ($page->filters !== [])
        <p class="flex gap-2 flex-wrap items-center mt-2">
            @foreach ($page->filters as $i => $filter)<a class="chip" href="{{ route('records.index', [$type, ...$page->without($i)]) }}" title="Take this out">{{ $page->said($i) }}<x-icon name="x" /></a>@endforeach
            <a class="link sm" href="{{ route('records.index', $type) }}">Show all</a>
        </p>
    @endif
    @foreach ($page->wrong as $message)<p class="error" role="alert"><x-icon name="circle-alert" />{{ $message }}</p>@endforeach
    <form class="filters" method="get" aria-label="Which {{ mb_strtolower($type->plural) }}" x-data="recordFilter" data-fields="{{ json_encode($fields) }}">
        @foreach ($page->filters as $i => $filter)@foreach ($filter as $part => $value)<input type="hidden" name="f[{{ $i }}][{{ $part }}]" value="{{ $value }}">@endforeach @endforeach
        @foreach ($page->kept()['cols'] ?? [] as $column)<input type="hidden" name="cols[]" value="{{ $column }}">@endforeach
        @if (isset($page->kept()['order']))<input type="hidden" name="order" value="{{ $page->kept()['order'] }}">@endif
        <label><span class="sm">Person, title or their name</span><input class="input w-48" type="search" name="find" value="{{ $page->find }}"></label>
        @if ($audiences !== [])<label><span class="sm">In the audience</span><select class="input max-w-44" name="audience"><option value="">any</option>@foreach ($audiences as $id => $name)<option value="{{ $id }}" @selected($page->audience === $id)>{{ $name }}</option>@endforeach</select></label>@endif
        @php($n = count($page->filters))
        <label><span class="sm">Only where</span><select class="input max-w-44" name="f[{{ $n }}][field]" x-ref="field" x-on:change="pick"><option value="">any field</option>@foreach ($fields as $key => $field)<option value="{{ $key }}">{{ $field['name'] }}</option>@endforeach</select></label>
        <label><span class="sr-only">Test</span><select class="input" name="f[{{ $n }}][test]" x-ref="test">@foreach (\App\Records\FilterTest::cases() as $test)<option value="{{ $test->value }}">{{ $test->says() }}</option>@endforeach</select></label>
        <label><span class="sr-only">Value</span><input class="input w-36" name="f[{{ $n }}][value]" x-ref="value" list="filter-values" placeholder="value"></label>
        <datalist id="filter-values" x-ref="options"></datalist>
        <button class="btn">Show</button>
    </form>
    <div class="flex gap-4 flex-wrap items-center mb-1">
        <span class="soft sm">{{ $count }} {{ $count === '1' ? mb_strtolower($type->name) : mb_strtolower($type->plural) }}</span>
        <x-export />
        <details class="word"><summary class="link sm">Columns</summary>
            <form class="change" method="post" action="{{ route('records.columns', [$type, ...$page->kept()]) }}">@csrf @method('put')
                @foreach ($type->fields as $field)<label class="flex gap-2 items-center mb-1"><input type="checkbox" class="tick" name="cols[]" value="{{ $field->key }}" @checked($page->isShown($field))> {{ $field->name }}</label>@endforeach
                <button class="btn go small mt-1">Show these</button>
            </form></details>
        @can('administer')
            <details class="word"><summary class="link sm">Keep this list</summary>
                <form class="change" method="post" action="{{ route('records.save', [$type, ...$page->kept()]) }}">@csrf
                    <label class="label" for="list-name">Under the name</label><div class="row"><input class="input" id="list-name" name="name" required maxlength="80"><button class="btn go small">Keep</button></div></form></details>
        @endcan
        <x-error name="name" /><x-error name="cols" />
    </div>
    @if (count($records) === 0)
        <x-empty>No {{ mb_strtolower($type->plural) }} here{{ $page->filters || $page->find ? ' that are so' : ' yet. They come in from a source or a file, or are added by hand' }}.</x-empty>
    @else
        <form id="bulk" method="post" action="{{ route('records.bulk', [$type, ...$page->kept()]) }}">@csrf</form>
        <div class="table-wrap"><table class="table dense">
            @php([$ticks, $changes, $here, $people, $zone] = [Gate::allows('administer'), Gate::allows('converse') && Gate::allows('view'), route('records.index', $type), route('people.index'), new DateTimeZone($page->business->zone)])
            <thead><tr>
                @if ($ticks)<th scope="col" class="!pr-2"><input type="checkbox" class="tick" aria-label="Tick all on this page" x-data="tickAll" x-on:change="all"></th>@endif
                <th scope="col"><a href="{{ route('records.index', [$type, ...$page->orderedBy('title')]) }}" @if ($page->order === 'title') aria-current="true" @endif>{{ $type->name }}{{ $page->order === 'title' ? ($page->descending ? ' ↓' : ' ↑') : '' }}</a></th><th scope="col">Person</th>
                @foreach ($columns as $column)<th scope="col" @class(['n' => $column->isNumeric])><a href="{{ route('records.index', [$type, ...$page->orderedBy($column->key)]) }}">{{ $column->name }}{{ $page->order === $column->key ? ($page->descending ? ' ↓' : ' ↑') : '' }}</a></th>@endforeach
                <th scope="col"><a href="{{ route('records.index', [$type, ...$page->orderedBy('changed')]) }}">Changed{{ $page->order === 'changed' ? ($page->descending ? ' ↓' : ' ↑') : '' }}</a></th>
            </tr></thead>
            <tbody hx-target="closest tr" hx-swap="outerHTML" hx-vals="{{ json_encode(['cols[]' => $page->shown()]) }}">
            @foreach ($rows as $row)
                <tr>
                    @if ($ticks)<td class="!pr-2"><input type="checkbox" class="tick" name="ticked[]" value="{{ $row->id }}" form="bulk" aria-label="Tick {{ $row->called }}"></td>@endif
                    <td><a class="link" href="{{ $here }}/{{ $row->id }}">{{ Str::limit($row->called, 48) }}</a></td>
                    <td class="whitespace-nowrap">@if ($row->person !== null)<a class="link" href="{{ $people }}/{{ $row->personId }}">{{ $row->person }}</a>@else<span class="soft">nobody known</span>@endif</td>
                    @foreach ($row->cells as $i => $cell)<td @class(['n' => $columns[$i]->isNumeric, 'whitespace-nowrap' => ! $columns[$i]->wraps])>{{ $cell === '' ? '–' : $cell }}</td>@endforeach
                    <td class="whitespace-nowrap soft">@if ($changes)<a class="link sm mr-2" href="{{ $here }}/{{ $row->id }}/edit" hx-get="{{ $here }}/{{ $row->id }}/row" aria-label="Change {{ $row->called }}">Change</a>@endif<time datetime="{{ $row->changedAt->format(DATE_ATOM) }}">{{ $row->changedAt->setTimezone($zone)->format('j M H:i') }}</time></td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        @can('administer')
            <div class="acts-bar" role="group" aria-label="Change many">
                <label><span class="label">Change</span><select class="input" name="which" form="bulk"><option value="ticked">the ticked</option><option value="all">all {{ $count }} in this list</option></select></label>
                <label><span class="label">Field</span><select class="input" name="field" form="bulk"><option value="">choose</option>@foreach ($type->fields as $field)<option value="{{ $field->key }}">{{ $field->name }}</option>@endforeach</select></label>
                <label><span class="label">To</span><input class="input w-36" name="value" form="bulk" value="{{ old('value') }}"></label>
                <button class="btn small" form="bulk">Change them</button>
                <button class="btn small" form="bulk" formaction="{{ route('several.store', ['type' => $type->key]) }}">Write to the ticked</button>
                <span class="soft sm">Each is a change like any other: rules may act on it.</span>
                <x-error name="bulk" /><x-error name="field" />
            </div>
        @endcan
        <x-pages :list="$records" />
    @endif
</x-page>
