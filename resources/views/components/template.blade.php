@props(['step', 'page'])
@php($added = $page->addedTo($step))
@php($own = $step->outgoing()->wordings->own[0] ?? null)
<span class="added">{{ $added[0] }}</span>@if ($own)
<x-words :words="$own->text" />@endif
<span class="added">{{ $added[1] }}</span>
