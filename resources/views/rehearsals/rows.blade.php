@php use App\Clock\TimeFormatter; @endphp
@php($rehearsal = $page->rehearsal)
<x-page :title="$rule->name.': rehearsed'">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / <a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a> / <a class="link" href="{{ route('rules.rehearsal', [$rule, $rehearsal]) }}">Rehearsed over {{ TimeFormatter::count($rehearsal->days, 'day', 'days') }}</a> /</div>
    <h1>{{ ucfirst($page->says()) }}</h1>
    @if ($rehearsal->document !== null && $rehearsal->version !== null)
        <nav class="tabs mb-2" aria-label="Which version">@foreach (['changed' => 'As changed', 'published' => 'As it is on'] as $side => $word)<a href="{{ route('rules.rehearsal.rows', [$rule, $rehearsal, ...$page->query('side', $side)]) }}" @if ($page->side->value === $side) aria-current="page" @endif>{{ $word }}</a>@endforeach</nav>
    @endif
    <form class="filters" method="get" aria-label="Which of them">
        <label><span class="sm">What</span><select class="input w-60" name="what">@foreach (['texts' => 'texts that would have left', 'people' => 'people who would have been texted', 'held' => 'held before they left', 'late' => 'come too late', 'dropped' => 'would not have gone', 'set_aside' => 'set aside', 'waiting' => 'would wait still', 'failed' => 'to numbers that nobody has', 'not_begun' => 'would not have begun', 'runs' => 'all runs', 'run' => 'runs without a text'] as $what => $word)<option value="{{ $what }}" @selected($page->what === $what)>{{ $word }}</option>@endforeach</select></label>
        @unless ($page->isRuns())<label><span class="sm">Day</span><input class="input w-36" type="date" name="day" value="{{ $page->asked['day'] ?? '' }}"></label>@endunless
        <label><span class="sm">Name or number</span><input class="input w-40" type="search" name="find" value="{{ $page->asked['find'] ?? '' }}"></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected(($page->asked['order'] ?? '') === 'oldest')>Oldest first</option></select></label>
        <input type="hidden" name="side" value="{{ $page->side->value }}">@if (($page->asked['reason'] ?? '') !== '')<input type="hidden" name="reason" value="{{ $page->asked['reason'] }}">@endif
        <button class="btn">Show</button>
        @if (($page->asked['reason'] ?? '') !== '')<a class="link sm" href="{{ route('rules.rehearsal.rows', [$rule, $rehearsal, ...$page->query('reason', '')]) }}">For any reason</a>@endif
    </form>
    <x-error name="day" />
    @php($list = $page->isRuns() ? $page->runs() : $page->texts())
    @if ($list->isEmpty())
        <x-empty>None.</x-empty>
    @elseif ($page->isRuns())
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">Began</th><th scope="col">Who</th><th scope="col">About</th><th scope="col">Came to</th><th scope="col" class="n">Texts</th></tr></thead>
            <tbody>@foreach ($list as $run)<tr><td class="whitespace-nowrap"><a class="link" href="{{ route('rules.rehearsal.run', [$rule, $rehearsal, $run->side->value, $run->run]) }}">@time($run->began_at, 'D j M H:i')</a></td><td><a class="link" href="{{ route('people.show', $run->person_id) }}">{{ $run->person->name() }}</a></td><td>{{ $run->record?->called() ?? '–' }}</td><td class="max-w-md">@if ($run->reason){{ \App\Sentences\Sentence::of($run->reason) }}@else<span class="soft">would still be under way</span>@endif</td><td class="n">{{ $run->texts }}</td></tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$list" />
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">Text</th><th scope="col">What became of it</th><th scope="col" class="n">Parts</th><th scope="col" class="n">Price</th></tr></thead>
            <tbody>@foreach ($list as $text)<tr>
                <td class="whitespace-nowrap">@if ($text->run)<a class="link" href="{{ route('rules.rehearsal.run', [$rule, $rehearsal, $text->side->value, $text->run]) }}">@time($text->left_at ?? $text->wanted_at, 'D j M H:i')</a>@else @time($text->wanted_at, 'D j M H:i')@endif</td>
                <td class="whitespace-nowrap">@if ($text->person)<a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a>@else<span class="soft">nobody known</span>@endif @if ($text->record)<br><a class="link sm soft" href="{{ route('records.show', [$text->record->type, $text->record]) }}">{{ $text->record->called() }}</a>@endif</td>
                <td class="max-w-md">{{ $text->body !== '' ? $text->body : '–' }}@if ($text->line)<br><span class="soft sm">from the {{ $text->line->name }}</span>@endif</td>
                <td class="max-w-60">@if ($text->reason){{ \App\Sentences\Sentence::of($text->reason) }}@elseif ($text->state === \App\Models\RehearsedState::Failed)@tone('bad', 'nobody has the number')@else @tone('well', 'would have left')@endif
                    @if ($text->held)<br><span class="sm soft">wanted @time($text->wanted_at, 'D H:i'): {{ \App\Sentences\Sentence::of($text->held) }}</span>@endif
                    @if ($text->too_late)<br><x-tone tone="bad">{{ TimeFormatter::lasting($text->too_late_since, $text->left_at) }} too late: {{ lcfirst(\App\Sentences\Sentence::of($text->too_late)) }}</x-tone>@endif</td>
                <td class="n">{{ $text->parts ?: '–' }}</td><td class="n whitespace-nowrap">{{ $text->left_at === null ? '–' : TimeFormatter::price($text->price_micros, \App\Models\Business::current()->currency()) }}</td>
            </tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$list" />
    @endif
</x-page>
