@props(['words'])
@foreach ((is_string($words) ? [new \Linnet\Core\Text\Template\Node\Words($words)] : $words->nodes) as $node)
@if ($node instanceof \Linnet\Core\Text\Template\Node\Words)
{{ $node->words }}@elseif ($node instanceof \Linnet\Core\Text\Template\Node\Field)
<span class="merge">{{ implode(' · ', array_filter([str_replace(['_', '.'], ' ', $node->path), $node->format(), $node->fallback() === null ? null : ($node->fallback() === '' ? 'or nothing' : "or “{$node->fallback()}”")])) }}</span>@elseif ($node instanceof \Linnet\Core\Text\Template\Node\Link)
<span class="merge">short link to {{ str_replace(['_', '.'], ' ', $node->path) }}</span>@elseif ($node instanceof \Linnet\Core\Text\Template\Node\Code)
<span class="merge">a code of “{{ $node->list }}”</span>@else
<span class="merge">one of {{ implode(' / ', $node->choices) }}</span>@endif
@endforeach
