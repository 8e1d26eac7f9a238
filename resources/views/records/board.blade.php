<x-page :title="$type->plural" wide>
    <div class="main">
        <div class="head">
            <h1>{{ $type->plural }}</h1>
            <div class="acts flex-wrap">
                @if (count($choices) > 1)<form method="get" class="flex gap-2 items-center"><label>by <select class="input" name="by">@foreach ($choices as $choice)<option value="{{ $choice->key }}" @selected($choice->is($board->by))>{{ $choice->name }}</option>@endforeach</select></label><button class="btn small">Show</button></form>@endif
                <a class="btn" href="{{ route('records.index', $type) }}">Table</a>
                @can('converse')@can('view')<a class="btn go" href="{{ route('records.create', $type) }}">Add {{ preg_match('/^[aeiou]/i', $type->name) ? 'an' : 'a' }} {{ mb_strtolower($type->name) }}</a>@endcan @endcan
            </div>
        </div>
        <x-record-tabs :type="$type" :types="$types" />
        @php($moves = Gate::allows('administer'))
        @fragment('board')
        <div id="board" class="board" x-data="board" @can('administer') data-moves="1" @endcan>
            @foreach ($board->columns as $column)
                <section class="board-column" aria-label="{{ $column['value'] === '' ? 'No '.mb_strtolower($board->by->name) : $column['value'] }}">
                    <h2><span>{{ $column['value'] === '' ? 'none' : $column['value'] }}</span> <a class="soft sm" href="{{ route('records.index', [$type, 'f' => [['field' => $board->by->key, 'test' => $column['value'] === '' ? 'empty' : 'is', 'value' => $column['value']]]]) }}">{{ $column['count'] }}</a></h2>
                    <div class="board-cards" data-value="{{ $column['value'] }}">
                        @foreach ($column['cards'] as $record)
                            @php($record->setRelation('type', $type))
                            <article class="board-card" data-id="{{ $record->id }}">
                                <a class="link" href="{{ route('records.show', [$type, $record]) }}">{{ Str::limit($record->called(), 60) }}</a>
                                <p class="sm">{{ $record->person?->name() ?? 'nobody known' }}</p>
                                @foreach ($board->says($record) as $says)<p class="soft sm">{{ $says }}</p>@endforeach
                                @if ($moves)
                                    @php($move = route('records.move', [$type, $record, 'by' => $board->by->key]))
                                    <form class="board-move" method="post" action="{{ $move }}" hx-patch="{{ $move }}" hx-target="#board" hx-swap="outerHTML">
                                        @csrf @method('patch')
                                        <select class="input" name="to" aria-label="Move {{ $record->called() }} to">@foreach ($board->by->options ?? [] as $option)<option value="{{ $option }}" @selected($option === $column['value'])>{{ $option }}</option>@endforeach</select><button class="btn small">Move</button>
                                    </form>
                                @endif
                            </article>
                        @endforeach
                    </div>
                    @if (count($column['cards']) === $board::CARDS)<a class="link sm" href="{{ route('records.index', [$type, 'f' => [['field' => $board->by->key, 'test' => 'is', 'value' => $column['value']]]]) }}">See all of them</a>@endif
                </section>
            @endforeach
        </div>
        @endfragment
    </div>
</x-page>
