<x-page :title="'Versions of '.$rule->name">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / {{ $rule->written()->folder }}</div>
    <h1>{{ $rule->name }}</h1>
    <x-rule-tabs :rule="$rule" />
    <h2>Versions</h2>
    @if ($versions->isEmpty())<x-empty>Nothing is published yet. Every version that is published will stand here, with what it changed.</x-empty>@endif
    @foreach ($versions as $version)
        <section class="panel mt-4" aria-labelledby="version-{{ $version->number }}">
            <div class="flex flex-wrap gap-3 items-baseline">
                <h2 id="version-{{ $version->number }}">Version {{ $version->number }}</h2>
                <span class="soft sm flex-1">{{ $version->staff->name ?? 'from a file' }}, @time($version->at, 'D j M Y H:i')</span>
                @if ($rule->version_id === $version->id)<x-tone tone="well">this one runs</x-tone>@elsecan('administer')<form method="post" action="{{ route('rules.versions.restore', [$rule, $version]) }}">@csrf<button class="btn small">Go back to its words</button></form>@endif
            </div>
            @if ($said[$version->number] === [])
                <p class="soft sm mt-1">{{ $version->number === 1 ? 'The first.' : 'The same words as before.' }}</p>
            @else
                <ul class="difference mt-2">@foreach ($said[$version->number] as [$sign, $line])<li @class(['came' => $sign === '+', 'went' => $sign === '-'])>@if ($sign !== '')<span class="sr-only">{{ $sign === '+' ? 'New: ' : 'Gone: ' }}</span>@endif<span aria-hidden="true">{{ $sign === '' ? ' ' : ($sign === '+' ? '+' : '−') }}</span><span class="line">{{ $line }}</span></li>@endforeach</ul>
            @endif
        </section>
    @endforeach
    <x-pages :list="$versions" />
</x-page>
