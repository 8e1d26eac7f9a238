<x-page title="Today">
    @fragment('today')
    <div id="today" hx-get="{{ route('today') }}" hx-trigger="every 3s" hx-swap="morph:outerHTML" hx-target="#today">
        <p class="crumb">@time($page->now, 'l j F')</p>
        <h1 class="lead">
            <a href="{{ route('sent.index', ['from' => $page->day->date, 'until' => $page->day->date, 'state' => 'left']) }}">{{ ucfirst(\App\Clock\TimeFormatter::count($page->left, 'text', 'texts')) }}</a>
            {{ $page->left === 1 ? 'has' : 'have' }} gone out {{ 'today' }}@if ($page->late->many > 0), <a href="#needs">{{ \App\Clock\TimeFormatter::count($page->late->many, 'thing', 'things') }}</a> {{ $page->late->many === 1 ? 'is' : 'are' }} {{ 'late' }}@endif{{ '' }}@if ($page->outboxed > 0), <a href="{{ route('sent.index', ['state' => 'ready']) }}">{{ \App\Clock\TimeFormatter::count($page->outboxed, 'waits', 'wait') }}</a> for the carrier @endif{{ $page->coming === 0 ? ($page->late->many + $page->outboxed > 0 ? '.' : ', and nothing more is to come before midnight.') : ' and' }}
            @if ($page->coming > 0)<a href="#coming">{{ \App\Clock\TimeFormatter::count($page->coming, 'more', 'more') }}</a> may follow before midnight.@endif
            @if ($page->needs !== [])<a href="#needs">{{ ucfirst(\App\Clock\TimeFormatter::count(count($page->needs), 'thing', 'things')) }}</a> {{ count($page->needs) === 1 ? 'needs' : 'need' }} you,@else Nothing needs you,@endif
            and @if ($page->waiting > 0)<a href="{{ route('conversations.index', ['show' => 'waiting']) }}">{{ \App\Clock\TimeFormatter::count($page->waiting, 'person', 'people') }}</a> {{ $page->waiting === 1 ? 'is' : 'are' }} waiting for an answer.@else nobody is waiting for an answer.@endif
        </h1>

        <svg class="drawn day-drawn mb-5" viewBox="0 0 1008 118" role="img" aria-label="Texts today, hour by hour">
            @foreach ($page->drawn->nights as $night)
                <rect class="night" x="{{ $night['x'] }}" y="6" width="{{ $night['width'] }}" height="84" />
                @if ($night['width'] > 90)<text class="night-word" x="{{ $night['x'] + 10 }}" y="22">{{ $night['word'] }}</text>@endif
            @endforeach
            @foreach ($page->drawn->bars as $bar)
                <rect @class(['coming' => $bar['coming'], 'past' => ! $bar['coming']]) x="{{ $bar['x'] }}" y="{{ 90 - $bar['height'] }}" width="{{ $bar['width'] }}" height="{{ $bar['height'] }}"><title>{{ $bar['count'] }} {{ $bar['coming'] ? 'to come' : 'gone' }} between {{ sprintf('%02d:00', $bar['hour']) }} and {{ sprintf('%02d:00', ($bar['hour'] + 1) % 24) }}</title></rect>
                <text x="{{ $bar['x'] + $bar['width'] / 2 }}" y="{{ 86 - $bar['height'] }}" text-anchor="middle">{{ $bar['count'] }}</text>
            @endforeach
            <line class="axis" x1="0" y1="90" x2="1008" y2="90" />
            <line class="now" x1="{{ $page->drawn->nowAt }}" y1="0" x2="{{ $page->drawn->nowAt }}" y2="96" />
            <text class="now-word" x="{{ $page->drawn->nowAt + 5 }}" y="12">{{ $page->now->setTimezone(new DateTimeZone($business->zone))->format('H:i') }}</text>
            @foreach ($page->drawn->hourMarks() as $mark)
                <text x="{{ $mark['x'] }}" y="108" text-anchor="middle">{{ $mark['hour'] }}</text>
            @endforeach
        </svg>

        <div class="two">
            <section id="needs">
                <h2 class="mb-2">Needs you <a class="link sm font-sans font-normal" href="{{ route('tasks.index') }}">all tasks</a></h2>
                <div class="needs">
                    @forelse ($page->needs as $need)
                        <div class="need">
                            <span @class(['tone', $need->tone])><x-icon :name="$need->tone === 'held' ? 'clock' : 'circle-alert'" /></span>
                            <div>
                                <p>{{ $need->what }}</p>
                                <p class="soft sm">{{ $need->why }}</p>
                            </div>
                            <div class="flex gap-2 flex-wrap justify-end">
                                <a class="btn small" href="{{ $need->href }}">{{ $need->act }}</a>
                                @foreach ($need->acts as $act)
                                    @can($act->can)
                                        <form method="post" action="{{ $act->href }}">@csrf @if ($act->method !== 'post') @method($act->method) @endif
                                            @foreach ($act->values as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                                            <button class="btn small">{{ $act->label }}</button>
                                        </form>
                                    @endcan
                                @endforeach
                                @if ($need->message !== null)
                                @can('administer')
                                    <form method="post" action="{{ route('messages.ask-again', $need->message) }}">@csrf<button class="btn small">Try again</button></form>
                                @endcan
                                @endif
                            </div>
                        </div>
                    @empty
                        <p class="empty">Nothing. What fails, is set aside or cannot be read will stand here, with what to do about it.</p>
                    @endforelse
                </div>
                @if ($page->comingToday->isNotEmpty())
                    <h2 class="mt-6 mb-1" id="coming">Still to come today</h2>
                    @foreach ($page->comingToday as $text)<x-coming-text :text="$text" :late="$page->isLate($text)" />@endforeach
                    @if ($page->coming > $page->comingToday->count())<p class="soft sm mt-1"><a class="link" href="{{ route('ahead', ['at' => $page->day->date]) }}">{{ $page->coming - $page->comingToday->count() }} more</a></p>@endif
                @endif
            </section>
            <section>
                <h2 class="mb-2">Just said</h2>
                @forelse ($page->justSaid() as $message)
                    <a class="said" href="{{ route('conversations.show', $message->conversation_id) }}"><b class="font-semibold">{{ $message->person->name() }}</b> <span class="soft sm"><time datetime="{{ $message->at->format(DATE_ATOM) }}">{{ \App\Clock\TimeFormatter::past($message->at, $page->now, $business->zone) }}</time>, to the {{ $message->line->name }}</span><br>{{ Str::limit($message->body, 120) }}</a>
                @empty
                    <p class="soft sm">What people write back will stand here.</p>
                @endforelse

                <h2 class="mt-6 mb-1">Rules at work</h2>
                @php($rulesAtWork = $page->rulesAtWork())
                @if ($rulesAtWork === [])<p class="soft sm">None is switched on.@can('administer') <a class="link" href="{{ route('rules.index') }}">Write one, or begin with a starter</a>.@endcan</p>@else
                <table class="table">
                    <thead><tr><th scope="col">30 days</th><th scope="col" class="n">texts</th><th scope="col" class="n">answered</th></tr></thead>
                    <tbody>
                    @foreach ($rulesAtWork as $row)
                        <tr>
                            <td><a class="link" href="{{ route('rules.show', $row['rule']) }}">{{ $row['rule']->name }}</a></td>
                            <td class="n"><a href="{{ route('sent.index', ['rule' => $row['rule']->id, 'state' => 'left', 'from' => $page->since->date]) }}">{{ $row['texts'] }}</a></td>
                            <td class="n"><a href="{{ route('rules.results', $row['rule']) }}">{{ $row['texts'] === 0 ? '–' : round(100 * $row['answered'] / $row['texts']).' %' }}</a></td>
                        </tr>
                    @endforeach
                    </tbody>
                </table>
                @endif
            </section>
        </div>
    </div>
    @endfragment
</x-page>
