@props(['reason'])
@if ($reason !== null)<span {{ $attributes->class('soft sm') }}>{{ \App\Sentences\Sentence::of($reason) }}</span>@endif