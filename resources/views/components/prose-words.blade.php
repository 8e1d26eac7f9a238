@props(['parts', 'page', 'wrong', 'changed'])
@foreach ($parts as $part)
@if (is_string($part))
{{ $loop->first ? ucfirst($part) : $part }}@elseif (Gate::allows('administer'))
<x-word :word="$part" :page="$page" :wrong="$wrong" :changed="$changed" />@else
{{ $part->says }}@endif
@endforeach