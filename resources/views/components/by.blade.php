@props(['message'])
@if ($message->origin === \App\Models\MessageOrigin::Staff)
by {{ $message->staff?->name }}@elseif ($message->origin === \App\Models\MessageOrigin::Words)
an answer to their word @elseif (Gate::allows('view'))
by <a class="link" href="{{ route('rules.show', $message->rule_id) }}">{{ $message->rule?->name }}</a>@else
by {{ $message->rule?->name }}@endif