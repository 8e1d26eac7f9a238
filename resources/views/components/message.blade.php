@props(['title'])
<x-bare :title="$title">
    <p class="soft mb-5">{{ $slot }}</p>
    <a class="btn" href="/">Go to the first page</a>
</x-bare>
