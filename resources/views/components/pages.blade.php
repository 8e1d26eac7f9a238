@props(["list"])
@if ($list->hasPages())
    <nav class="pages" aria-label="Pages">
        @if ($list->previousPageUrl()) <a class="btn small" href="{{ $list->previousPageUrl() }}"><x-icon name="arrow-left" />Previous page</a> @endif
        @if ($list->nextPageUrl()) <a class="btn small" href="{{ $list->nextPageUrl() }}">Next page<x-icon name="arrow-right" /></a> @endif
    </nav>
@endif
