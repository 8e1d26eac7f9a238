@props(['source'])
<div class="crumb"><a class="link" href="{{ route('sources.index') }}">Sources</a> /</div>
<div class="head">
    <h1>{{ $source->name }}</h1>
    <div class="acts">
        @if ($source->power === \Linnet\Core\Record\ActivationState::On)<x-tone tone="well">on</x-tone>@else<x-tone tone="held" icon="pause">paused: what comes waits</x-tone>@endif
        @can('administer')
            <form method="post" action="{{ route('sources.power', $source) }}">@csrf @method('put')
                @if ($source->power === \Linnet\Core\Record\ActivationState::On)
                    <button class="btn" name="power" value="paused"><x-icon name="pause" />Pause</button>
                @else
                    <button class="btn" name="power" value="on"><x-icon name="play" />Switch on</button>
                @endif
            </form>
        @endcan
    </div>
</div>
<x-source-tabs :source="$source" />
