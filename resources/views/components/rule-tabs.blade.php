@props(['rule'])
<nav class="tabs mb-3" aria-label="This rule">
    <a href="{{ route('rules.show', $rule) }}" @if (request()->routeIs('rules.show')) aria-current="page" @endif>Write</a>
    <a href="{{ route('rules.rehearsal', $rule) }}" @if (request()->routeIs('rules.rehearsal*')) aria-current="page" @endif>Rehearse</a>
    <a href="{{ route('rules.runs', [$rule, 'state' => 'live']) }}" @if (request()->routeIs('rules.runs')) aria-current="page" @endif>Under way</a>
    <a href="{{ route('rules.results', $rule) }}" @if (request()->routeIs('rules.results')) aria-current="page" @endif>Results</a>
    <a href="{{ route('rules.versions', $rule) }}" @if (request()->routeIs('rules.versions')) aria-current="page" @endif>Versions</a>
</nav>
