@foreach ($completions as $i => $one)
    @if ($one['words'] === '' && $one['kind'] === null)
        <li role="option" aria-selected="false" data-whole="{{ $one['whole'] }}" class="ends"><span>{{ $one['whole'] }} <b>.</b></span><small>{{ $one['beside'] ?: 'the sentence can end here' }}</small></li>
    @elseif ($one['words'] === '')
        <li role="option" aria-selected="false" aria-disabled="true" class="hint"><span>{{ $one['typed'] }} <i>…</i></span><small>{{ $one['beside'] }}</small></li>
    @else
        <li role="option" aria-selected="false" data-whole="{{ $one['whole'] }}"><span>{{ $one['typed'] }}<b>{{ $one['words'] }}</b></span><small>{{ $one['beside'] }}</small></li>
    @endif
@endforeach
@if ($completions === [])<li role="option" aria-selected="false" aria-disabled="true" class="hint"><span>Nothing known begins so. What is typed can be kept as soon as it is a sentence.</span></li>@endif
