@php use App\Models\SeveralPerson; use App\Clock\TimeFormatter; @endphp
@php($people = fn (string $outcome): string => route('several.people', [$several, 'outcome' => $outcome]))
<div id="who" @unless ($isWorkedOut) hx-get="{{ route('several.who', $several) }}" hx-trigger="{{ $several->cursor === null ? 'load' : 'every 1s' }}" hx-swap="outerHTML" @endunless>
    @if (! $isWorkedOut)
        <h2>Asking who gets it …</h2>
        @if ($several->cursor !== null)<progress class="meter mt-2" max="{{ max(1, $several->of) }}" value="{{ $several->people()->whereNotNull('outcome')->count() }}" aria-label="How far it is"></progress>
        <p class="soft sm mt-1">Each of {{ number_format($several->of) }} people is asked about. It goes on if you leave this page.</p>@endif
    @else
        @php([$many, $get, $wait, $type] = [$page->many(), $page->getIt(), $page->wait(), $page->type()])
        <h2>@if ($many === 0)Nobody is among them @elseif ($type === null){{ ucfirst(TimeFormatter::count($many, 'person', 'people')) }}, {{ $get === $many ? ($many === 1 ? 'who gets it' : 'all of whom get it') : TimeFormatter::count($get, 'of whom gets', 'of whom get').' it' }} @else {{ ucfirst(TimeFormatter::count($many, mb_strtolower($type->name), mb_strtolower($type->plural))) }}, {{ TimeFormatter::count($get, 'person gets', 'people get') }} it @endif</h2>
        @if ($many > 0)
            <table class="table dense several-who mt-2">
                <tbody>
                    @if ($type !== null)<tr><td class="n"><b>{{ number_format($many) }}</b></td><td>{{ $several->ticked ? 'were ticked' : ($many === 1 ? 'is such a ' : 'are such ').mb_strtolower($many === 1 ? $type->name : $type->plural) }}</td><td><a class="link" href="{{ route('several.people', $several) }}">show</a></td></tr>@endif
                    @foreach ($page->without() as $one)<tr><td class="n"><b>−{{ number_format($one['many']) }}</b></td><td>{{ $one['says'] }}</td><td><a class="link" href="{{ $people($one['outcome']) }}">{{ $one['who'] ?? 'show' }}</a></td></tr>@endforeach
                    <tr><td class="n went"><b>{{ number_format($get) }}</b></td><td>{{ $get === 1 ? 'gets' : 'get' }} it{{ $get > $wait ? ': '.$page->places() : '' }}</td><td>@if ($get > $wait)<a class="link" href="{{ $people(SeveralPerson::GETS) }}">show</a>@endif</td></tr>
                    @if ($wait > 0)<tr><td class="n"><b>{{ number_format($wait) }}</b></td><td>of them later than in {{ TimeFormatter::count(\App\Several\WhoGetsIt::LOOKS_AHEAD, 'day', 'days') }}. {{ $page->waitsFor() }}</td><td><a class="link" href="{{ $people(SeveralPerson::WAITS) }}">show</a></td></tr>@endif
                </tbody>
            </table>
        @endif
        @if ($several->isWritten())<p class="soft sm mt-1">As things are now: each is asked about once more as it leaves.</p>@endif
    @endif
</div>
