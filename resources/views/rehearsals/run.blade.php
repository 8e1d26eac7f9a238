@php use App\Clock\TimeFormatter; @endphp
@php([$rehearsal, $run] = [$page->rehearsal, $page->run])
<x-page :title="$rule->name.': one run, rehearsed'">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / <a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a> / <a class="link" href="{{ route('rules.rehearsal', [$rule, $rehearsal]) }}">Rehearsed over {{ TimeFormatter::count($rehearsal->days, 'day', 'days') }}</a> /</div>
    <h1>{{ $run->person->name() }}</h1>
    <p class="soft">@if ($run->record)<a class="link" href="{{ route('records.show', [$run->record->type, $run->record]) }}">{{ $run->record->called() }}</a>, @endif<a class="link" href="{{ route('people.show', $run->person_id) }}">see {{ $run->person->called() }}</a>. {{ $rehearsal->document === null ? 'By the rule as it is on.' : ($side === \App\Models\RehearsalSide::Changed ? 'By the rule as changed.' : 'By the rule as it is on.') }}</p>
    <x-drawn-time :time-line="$page->timeLine"><span>As it would have gone from @time($run->began_at, 'D j M H:i') on</span></x-drawn-time>
    @forelse ($page->texts as $text)
        <div class="coming-text"><span class="font-semibold">Text {{ $page->letters[$text->step] ?? "?" }}, @time($text->left_at ?? $text->wanted_at, 'D j M H:i')</span> <span class="soft">{{ $page->became($text) }}{{ $text->line ? ', from the '.$text->line->name : '' }}</span>
            @if ($text->held)<span class="soft sm">{{ \App\Sentences\Sentence::of($text->held) }}</span>@endif
            @if ($text->reason)<x-tone tone="held">{{ \App\Sentences\Sentence::of($text->reason) }}</x-tone>@endif
            @if ($text->too_late)<x-tone tone="bad">{{ TimeFormatter::lasting($text->too_late_since, $text->left_at) }} too late: {{ lcfirst(\App\Sentences\Sentence::of($text->too_late)) }}</x-tone>@endif
            <p class="mt-1">{{ $text->body }}</p></div>
    @empty
        <p class="soft mt-3">No text would have come of it.</p>
    @endforelse
    @if ($run->reason)<p class="mt-3 soft">In the end: {{ \App\Sentences\Sentence::of($run->reason) }}</p>@endif
</x-page>
