@props(['run', 'linked' => false])
<div class="mb-1">@if ($linked)<a class="link" href="{{ route('rules.show', $run->rule_id) }}">{{ $run->rule->name }}</a>@else{{ $run->rule->name }}@endif
    @if ($run->readState()->aside)
        <br><x-tone tone="held" icon="pause">stands aside: one of us wrote</x-tone>
        @can('converse')<form class="inline" method="post" action="{{ route('runs.give-back', $run) }}">@csrf<button class="link sm">Give it back</button></form>@endcan
    @else
        <br><span class="soft sm">since @time($run->began_at, 'D j M H:i')@if ($run->timer?->due_at), next look @time($run->timer->due_at, 'D j M H:i')@else, waiting for its text to leave @endif</span>
    @endif</div>
