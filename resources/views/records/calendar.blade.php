@php($days = $page->days)
<x-page :title="$page->type->plural.', by day'">
    <div class="head">
        <div><h1>{{ $page->type->plural }}</h1></div>
        <div class="acts flex-wrap"><a class="btn" href="{{ route('records.index', $page->type) }}">Table</a>@if ($page->type->stage_field)<a class="btn" href="{{ route('records.board', $page->type) }}">Board</a>@endif</div>
    </div>
    <x-record-tabs :type="$page->type" :types="$types" />
    <div class="flex gap-3 items-center flex-wrap my-3">
        <h2>{{ $page->isWeek ? $page->called($days[0], 'j F').' to '.$page->called($days[6], 'j F Y') : $page->called($days[0], 'l j F Y') }}</h2>
        <a class="btn small" href="{{ route('records.calendar', [$page->type, 'day' => $page->away(-1), 'show' => $page->isWeek ? 'week' : 'day']) }}"><x-icon name="arrow-left" />{{ $page->isWeek ? 'Week before' : 'Day before' }}</a>
        <a class="btn small" href="{{ route('records.calendar', [$page->type, 'day' => $page->away(1), 'show' => $page->isWeek ? 'week' : 'day']) }}">{{ $page->isWeek ? 'Week after' : 'Day after' }}<x-icon name="arrow-right" /></a>
        <a class="link sm" href="{{ route('records.calendar', $page->type) }}">This week</a>
        @unless ($page->isWeek)<a class="link sm" href="{{ route('records.calendar', [$page->type, 'day' => $page->date]) }}">The whole week</a>@endunless
    </div>
    @if ($page->isCut || $page->turn > 1)
        @php($lot = fn (int $turn): string => route('records.calendar', [$page->type, 'day' => $page->date, 'show' => $page->isWeek ? 'week' : 'day', 'turn' => $turn]))
        <p class="sm held mb-2">More start {{ $page->isWeek ? 'in this week' : 'on this day' }} than are shown at once.@if ($page->turn > 1) <a class="link" href="{{ $lot($page->turn - 1) }}">Those before</a>@endif @if ($page->isCut) <a class="link" href="{{ $lot($page->turn + 1) }}">Those after</a>@endif</p>
    @endif
    @if ($page->isWeek)
        <div class="week" tabindex="0" role="region" aria-label="A week of {{ mb_strtolower($page->type->plural) }}">
            @foreach ($days as $day)
                <section aria-label="{{ \App\Pages\Ahead\HourField::says($day->date) }}">
                    <h3><a class="link" href="{{ route('records.calendar', [$page->type, 'day' => $day->date, 'show' => 'day']) }}">{{ $page->called($day, 'D j') }}</a></h3>
                    @foreach ($page->records[$day->date] as $record)
                        <article class="week-card">
                            @if ($page->hasHours())<b>{{ $page->startOf($record)->format('H:i') }}</b> @endif<a class="link" href="{{ route('records.show', [$page->type, $record]) }}">{{ $record->called() }}</a>
                            @if ($record->person)<div class="soft">{{ $record->person->name() }}</div>@endif
                            @foreach ($page->sentOf($record) as $text)<div class="soft">@tone('well', \App\View\TimeTag::of($text->left_at, 'j M H:i')) {{ $text->rule?->name }}</div>@endforeach
                            @foreach ($page->comingOf($record) as $text)<div>@tone('plain', $text->leaves_at ? \App\View\TimeTag::of($text->leaves_at, 'D H:i') : 'not yet') {{ $text->rule->name }}</div>@endforeach
                        </article>
                    @endforeach
                </section>
            @endforeach
        </div>
        <p class="soft sm mt-2">A tick is a text that went; a dot is one that may come, as things stand.</p>
    @else
        @forelse ($page->records[$days[0]->date] as $record)
            <section class="day-record">
                <h3>@if ($page->hasHours()){{ $page->startOf($record)->format('H:i') }} @endif<a class="link" href="{{ route('records.show', [$page->type, $record]) }}">{{ $record->called() }}</a>@if ($record->person), <a class="link" href="{{ route('people.show', $record->person_id) }}">{{ $record->person->name() }}</a>@endif</h3>
                @foreach ($page->sentOf($record) as $text)<p class="sm">@tone('well', \App\View\TimeTag::of($text->left_at, 'D j M H:i')) <a class="link" href="{{ route('messages.show', $text) }}">{{ Str::limit($text->body, 120) }}</a></p>@endforeach
                @foreach ($page->comingOf($record) as $text)<x-coming-text :text="$text" :whose="false" dated />@endforeach
                @if ($page->sentOf($record) === [] && $page->comingOf($record) === [])<p class="soft sm">Nothing was texted about it, and nothing will be in the next two weeks, as things stand.</p>@endif
            </section>
        @empty
            <x-empty>No {{ mb_strtolower($page->type->plural) }} start on this day.</x-empty>
        @endforelse
    @endif
</x-page>
