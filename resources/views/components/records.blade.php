@props(['page'])
@php($link = fn ($record) => route('records.show', [$record->type, $record]))
@php($beside = $page->beside())
@foreach ($page->records() as $record)
    <p>@can('view')<a class="link" href="{{ $link($record) }}">{{ $record->called() }}</a>@else{{ $record->called() }}@endcan <span class="soft sm">{{ mb_strtolower($record->type->name) }}{{ $record->stage() === '' ? '' : ', '.$record->stage() }}</span></p>
@endforeach
@foreach ($beside as [$record, $field])
    <p>@can('view')<a class="link" href="{{ $link($record) }}">{{ $record->called() }}</a>@else{{ $record->called() }}@endcan <span class="soft sm">{{ mb_strtolower($record->type->name) }}, as {{ mb_strtolower($field->name) }}</span></p>
@endforeach
@if ($page->records()->isEmpty() && $beside === [])<p class="soft sm">None.</p>@endif
