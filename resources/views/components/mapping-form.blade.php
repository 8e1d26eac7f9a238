@props(['page', 'id' => null, 'target' => null, 'part' => null, 'index' => null])
<form @if ($id) id="{{ $id }}" @endif method="post" action="{{ $page->action }}" hx-patch="{{ $page->action }}" hx-target="#mapping" hx-swap="morph:outerHTML" {{ $attributes }}>
    @csrf @method('patch')
    @if ($target)<input type="hidden" name="target" value="{{ $target }}">@endif
    @if ($part)<input type="hidden" name="part" value="{{ $part }}">@endif
    @if ($index !== null)<input type="hidden" name="index" value="{{ $index }}">@endif
    {{ $slot }}
</form>
