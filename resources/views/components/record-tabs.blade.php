@props(['type', 'types'])
<nav class="tabs mb-2" aria-label="Which records">
    @foreach ($types as $one)<a href="{{ route('records.index', $one) }}" @if ($one->key === $type->key) aria-current="page" @endif>{{ $one->plural }}</a>@endforeach
</nav>
