@props(['step', 'page'])
@php($added = $page->addedTo($step))
<span class="added">{{ $added[0] }}</span>@foreach ($step->wording->nodes as $node)
@if ($node instanceof \Linnet\Core\Text\Template\Node\Words)
{{ $node->words }}@elseif ($node instanceof \Linnet\Core\Text\Template\Node\Field)
<span class="merge">{{ implode(' · ', array_filter([str_replace(['_', '.'], ' ', $node->path), $node->format(), $node->fallback() === null ? null : ($node->fallback() === '' ? 'or nothing' : "or “{$node->fallback()}”")])) }}</span>@else
<span class="merge">one of {{ implode(' / ', $node->choices) }}</span>@endif
@endforeach
<span class="added">{{ $added[1] }}</span>
