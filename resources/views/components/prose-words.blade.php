@props(['parts', 'page', 'wrong', 'changed'])
@foreach ($parts as $part)@if (is_string($part)){{ $loop->first ? ucfirst($part) : $part }}@else@can('administer')<x-word :word="$part" :page="$page" :wrong="$wrong" :changed="$changed" />@else<span>{{ $part->says }}</span>@endcan@endif@endforeach
