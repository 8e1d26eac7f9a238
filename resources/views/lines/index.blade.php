<x-page title="Lines">
    <h1>Lines</h1>
    <p class="soft mb-4">What texts are sent from, how much of today is used, and whether carriers are still content with it. <a class="link" href="{{ route('keywords') }}">Keywords</a>: which word does what.</p>
    @if ($page->outage !== null)
        <p class="need mb-4"><span class="tone bad"><x-icon name="circle-alert" /></span><span>The carrier has not answered since {{ \App\Clock\TimeFormatter::sinceWhen($page->outage->since, $page->now, $page->day->zone) }}; <a class="link" href="{{ route('sent.index', ['state' => 'ready']) }}">{{ \App\Clock\TimeFormatter::count($page->outage->waiting(), 'text waits', 'texts wait') }}</a>. It is asked again every minute at least, and each text leaves as long as it still makes sense.</span></p>
    @endif
    @if ($page->lines->isEmpty())
        <x-empty>There is no line yet, so nothing can be sent. Add the number your texts come from, or a name of up to 11 letters that cannot be answered.</x-empty>
    @else
    <p class="mb-1"><x-export /></p>
    <div class="table-wrap"><table class="table">
        <thead><tr><th scope="col">Line</th><th scope="col">State</th><th scope="col" class="n">Left today</th><th scope="col" class="n">Waiting</th><th scope="col">May send</th><th scope="col">Failures</th></tr></thead>
        <tbody>
            @foreach ($page->lines as $line)
                <tr>
                    <td><a class="link" href="{{ route('lines.show', $line) }}">{{ $line->name }}</a><br><span class="soft sm">{{ $line->number === null ? 'a name, which nobody can answer' : \Linnet\Core\Number\Numbers::pretty($line->number) }}@if ($line->purpose): {{ $line->purpose }}@endif @if ($line->pool)<br>in the pool “{{ $line->pool }}”@endif</span></td>
                    <td>@if ($line->power->value === 'on')<x-tone tone="well">on</x-tone>@else<x-tone tone="held" icon="pause">off</x-tone>@if ($line->problem)<br><span class="sm"><x-reason :reason="$line->problem" /></span>@endif @endif</td>
                    <td class="n"><a class="link" href="{{ route('sent.index', ['line' => $line->id, 'state' => 'left', 'from' => $page->day->date, 'until' => $page->day->date]) }}">{{ number_format($page->sentToday($line)) }}</a>@if ($page->dayLimit($line) !== null) <span class="soft">of {{ number_format($page->dayLimit($line)) }}</span>@endif</td>
                    <td class="n"><a class="link" href="{{ route('sent.index', ['line' => $line->id, 'state' => 'waiting']) }}">{{ number_format($page->waiting($line)) }}</a></td>
                    <td>{{ $page->pace($line) }}</td>
                    <td>@if ($page->ails($line))<x-tone tone="held">{{ $page->failures($line) }}</x-tone>@else{{ $page->failures($line) }}@endif<br><span class="soft sm">warns at {{ $page->health->warn }} %, stops at {{ $page->health->pause }} %</span></td>
                </tr>
            @endforeach
        </tbody>
    </table></div>
    <x-pages :list="$page->lines" />
    @if ($page->pools !== [])<p class="mt-3">@foreach ($page->pools as $pool => $names)<b>{{ $pool }}</b>: {{ \Illuminate\Support\Arr::join($names, ', ', ' and ') }}. @endforeach<span class="soft">A rule that texts “from one of the lines of "{{ array_key_first($page->pools) }}", always the same for them” sends each person from one of them, and keeps to it.</span></p>@endif
    @endif
    @can('administer')
        <form class="flex gap-2 flex-wrap items-end mt-5" method="post" action="{{ route('lines.store') }}" aria-label="Add a line">@csrf
            <label><span class="label">You call it</span><input class="input w-44" name="name" value="{{ old('name') }}" placeholder="second desk" maxlength="40"></label>
            <label><span class="label">Number, or name to send as</span><input class="input w-56" name="sender" value="{{ old('sender') }}" placeholder="07700 900102, or OsierQuay" maxlength="40"></label>
            <button class="btn">Add a line</button>
            <x-error name="name" /><x-error name="sender" />
        </form>
    @endcan
</x-page>
