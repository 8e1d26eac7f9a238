@props(['words', 'tokens'])
@foreach ((is_string($words) ? [new \Linnet\Core\Text\Template\Node\Words($words)] : $words->nodes) as $node)
@if ($node instanceof \Linnet\Core\Text\Template\Node\Words)
{{ $node->words }}@else
<span class="merge">{{ $tokens->says($node) }}</span>@endif
@endforeach
