@props(['source'])
<nav class="tabs mb-3" aria-label="This source">
    <a href="{{ route('sources.show', $source) }}" @if (request()->routeIs('sources.show', 'deliveries.*')) aria-current="page" @endif>What came</a>
    @can('administer')
        <a href="{{ route('sources.mapping', $source) }}" @if (request()->routeIs('sources.mapping')) aria-current="page" @endif>What it means{{ $source->draft ? ' (changes not in use yet)' : '' }}</a>
        <a href="{{ route('sources.settings', $source) }}" @if (request()->routeIs('sources.settings')) aria-current="page" @endif>{{ $source->kind->value === 'feed' ? 'Address and secret' : 'Address' }}</a>
    @endcan
</nav>
