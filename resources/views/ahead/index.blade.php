@php use App\Clock\TimeFormatter; use App\Pages\Ahead\ComingFilter; use App\Pages\Ahead\HourField; @endphp
<x-page title="Ahead">
    @fragment('ahead')
    <div id="ahead" hx-get="{{ request()->fullUrl() }}" hx-trigger="every 10s" hx-swap="morph:outerHTML" hx-target="#ahead">
        <p class="crumb">Ahead, as things stand</p>
        <h1 class="lead">
            <a href="{{ $page->filter->query(['show' => ComingFilter::ALL]) }}">{{ ucfirst(TimeFormatter::count($page->texts, 'text', 'texts')) }}</a>
            may leave in the next two weeks, if nobody answers and nothing moves.
            @if ($page->heldForHours > 0)<a href="{{ $page->filter->query(['show' => ComingFilter::HOURS]) }}">{{ ucfirst(TimeFormatter::count($page->heldForHours, 'of them waits', 'of them wait')) }}</a> for a decent hour{{ $page->waitForSomebody > 0 ? ',' : '.' }}@endif
            @if ($page->waitForSomebody > 0)<a href="{{ $page->filter->query(['show' => ComingFilter::YOU]) }}">{{ $page->heldForHours > 0 ? TimeFormatter::count($page->waitForSomebody, 'more', 'more') : ucfirst(TimeFormatter::count($page->waitForSomebody, 'more waits', 'more wait')) }}</a> for you.@endif
        </h1>
        @if (! $page->freshness->isWorkedOut)
            <p class="mb-3"><x-tone tone="bad">What lies ahead is not being worked out.</x-tone> <span class="soft sm">Start it: php artisan linnet:forecast</span></p>
        @elseif ($page->freshness->isBehind())
            <p class="mb-3"><x-tone tone="held">{{ ucfirst(TimeFormatter::count($page->freshness->people, 'person is', 'people are')) }} being looked at anew; what is said of them is {{ TimeFormatter::count(intdiv($page->freshness->seconds, 60), 'minute', 'minutes') }} old.</x-tone></p>
        @endif
        <form class="filters" method="get" aria-label="Which texts">
            <label><span class="sm">Rule</span><select class="input w-40" name="rule"><option value="">Any</option>@foreach ($page->rules() as $rule)<option value="{{ $rule->id }}" @selected($page->filter->rule === $rule->id)>{{ $rule->name }}</option>@endforeach</select></label>
            <label><span class="sm">Line</span><select class="input w-32" name="line"><option value="">Any</option>@foreach ($page->lines() as $line)<option value="{{ $line->id }}" @selected($page->filter->line === $line->id)>{{ $line->name }}</option>@endforeach</select></label>
            <label><span class="sm">About</span><select class="input w-32" name="type"><option value="">Anything</option>@foreach ($page->types() as $type)<option value="{{ $type->id }}" @selected($page->filter->type === $type->id)>{{ $type->name }}</option>@endforeach</select></label>
            <label><span class="sm">Name or number</span><input class="input w-36" type="search" name="find" value="{{ $page->filter->find }}"></label>
            <button class="btn">Show</button>
            @if ($page->filter->isNarrowed())<a class="link sm" href="{{ route('ahead') }}">Show all</a>@endif
        </form>
        <div class="ahead">
            <div>
                <div class="scroll" tabindex="0" role="region" aria-label="Two weeks by day and hour">
                    <svg class="drawn hours" viewBox="0 0 {{ HourField::width() }} {{ HourField::height() }}" role="group" aria-label="{{ $page->texts }} texts by day and hour">
                        @for ($hour = 0; $hour < 24; $hour += 3)<text x="{{ HourField::x($hour) }}" y="16">{{ sprintf('%02d', $hour) }}</text>@endfor
                        @foreach ($page->field->nights() as $night)<rect class="night" x="{{ $night['x'] }}" y="{{ HourField::y($night['row']) }}" width="{{ $night['width'] }}" height="30" />@endforeach
                        @foreach ($page->field->days as $row => $day)
                            <line class="axis" x1="{{ HourField::LEFT }}" x2="{{ HourField::width() }}" y1="{{ HourField::y($row) + 30 }}" y2="{{ HourField::y($row) + 30 }}" />
                            <a href="{{ $page->filter->query(['at' => $day->date]) }}" aria-label="{{ $day->begins->setTimezone(new DateTimeZone($day->zone))->format('D j F') }}" @if ($page->filter->at === $day->date) aria-current="true" @endif><rect class="hit-day" x="0" y="{{ HourField::y($row) + 3 }}" width="56" height="24" /><text class="day" x="3" y="{{ HourField::y($row) + 20 }}">{{ $day->begins->setTimezone(new DateTimeZone($day->zone))->format('D j') }}</text></a>
                        @endforeach
                        @foreach ($page->field->squares() as $square)<a href="{{ $page->filter->query(['at' => $square['at']]) }}" transform="translate({{ $square['x'] + 12 }} {{ HourField::y($square['row']) + 15 }})" aria-label="{{ $square['texts'] }} {{ $square['texts'] === 1 ? 'text' : 'texts' }}, {{ $square['says'] }}" @if ($square['chosen']) aria-current="true" @endif><rect class="hit" /><rect @class(['square', 'today' => $square['row'] === 0]) x="-{{ $square['size'] / 2 }}" y="-{{ $square['size'] / 2 }}" width="{{ $square['size'] }}" height="{{ $square['size'] }}" />@if ($square['size'] >= 15)<text class="many">{{ $square['texts'] }}</text>@endif</a>@endforeach
                        <line class="now" x1="{{ $page->field->now() }}" x2="{{ $page->field->now() }}" y1="{{ HourField::TOP - 3 }}" y2="{{ HourField::TOP + 33 }}" />
                    </svg>
                </div>
                <p class="soft sm mt-2">A square is as large as its texts are many. Shaded: outside decent hours, and closed days.@if (($room = $page->room()) !== null)<br>{{ $room }}@endif</p>
            </div>
            <section aria-label="{{ $page->listIsCalled() }}">
                @if ($page->texts === 0 && $page->waitForSomebody === 0)
                    <x-empty>Nothing will leave in the next two weeks, as things stand. What rules will send stands here with its words, hour by hour.</x-empty>
                @else
                    <div class="flex gap-3 items-baseline flex-wrap mb-2"><h2>{{ $page->listIsCalled() }}</h2>
                        @if ($page->filter->at !== '')<span class="soft sm">{{ TimeFormatter::count($page->chosenTexts, 'text', 'texts') }}, {{ TimeFormatter::price($page->chosenMicros, $page->business->currency()) }}</span> <a class="link sm" href="{{ route('ahead.day', substr($page->filter->at, 0, 10)) }}">{{ strlen($page->filter->at) === 10 ? 'To print' : 'The whole day, to print' }}</a>@endif</div>
                    @forelse ($page->list() as $text)
                        <x-coming-text :text="$text" :dated="strlen($page->filter->at) !== 13" />
                    @empty
                        <p class="soft">None of those asked for.</p>
                    @endforelse
                    <x-pages :list="$page->list()" />
                @endif
            </section>
        </div>
    </div>
    @endfragment
</x-page>
