@props(['message'])
<x-tone :tone="$message->state->tone()">{{ $message->state->word() }}</x-tone>