@if ($moves)
    <form class="clock" method="post" action="{{ route('demo.clock') }}" aria-label="Move the demo’s clock on">
        @csrf
        <button class="btn small" name="by" value="minute">+1 min</button>
        <button class="btn small" name="by" value="hour">+1 h</button>
        <button class="btn small" name="by" value="next" title="To the next thing that happens"><x-icon name="fast-forward" />Next</button>
    </form>
@endif
