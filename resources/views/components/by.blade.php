@props(['message'])
@switch($message->origin)
    @case(\App\Models\MessageOrigin::Rule)
        by @can('view')<a class="link" href="{{ route('rules.show', $message->rule_id) }}">{{ $message->rule?->name }}</a>@else{{ $message->rule?->name }}@endcan
        @break
    @case(\App\Models\MessageOrigin::Staff)
        by {{ $message->staff?->name }}
        @break
    @default
        an answer to their word
@endswitch
