@if ($standinsUrl)
    <a class="place" href="{{ $standinsUrl }}">Stand-ins</a>
@endif
