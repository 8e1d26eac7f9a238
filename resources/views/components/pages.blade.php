@props(['list'])
@if ($list->hasPages())
    <nav class="pages" aria-label="Pages">
        @if ($list->previousPageUrl()) <a class="btn small" href="{{ $list->previousPageUrl() }}"><x-icon name="arrow-left" />Newer</a> @endif
        @if ($list->nextPageUrl()) <a class="btn small" href="{{ $list->nextPageUrl() }}">Older<x-icon name="arrow-right" /></a> @endif
    </nav>
@endif
