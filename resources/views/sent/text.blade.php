@php use App\Clock\TimeFormatter; @endphp
@php($text = $page->text)
<x-page title="A text to {{ $text->colleague() ?? $text->person->name() }}">
    <div class="crumb"><a class="link" href="{{ route('sent.index') }}">Sent</a> / <a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a> /</div>
    <div class="head">
        <div>
            <h1>{{ $text->isInbound() ? 'From' : 'To' }} {{ $text->colleague() ?? $text->person->name() }}</h1>
            <p>@state($text) <x-reason :reason="$text->reason" /></p>
            <p class="soft sm">@if ($text->rule)<a class="link" href="{{ route('rules.show', $text->rule_id) }}">{{ $text->rule->name }}</a>{{ $page->letter() === '' ? '' : ', text '.$page->letter() }}@if ($page->version()), version {{ $page->version()->number }}{{ $page->version()->staff ? ' by '.$page->version()->staff->name : '' }}@endif, @elseif (! $text->isInbound())<x-by :message="$text" />, @endif{{ $text->isInbound() ? 'to' : 'from' }} the {{ $text->line->name }}</p>
        </div>
        <div class="acts">@if ($text->conversation_id)<a class="btn" href="{{ route('conversations.show', $text->conversation_id) }}"><x-icon name="message-square" />The conversation</a>@endif</div>
    </div>
    <div class="two mt-4">
        <section>
            <div class="handset"><div class="who"><span>{{ $text->line->name }}</span><span>{{ $text->number ? \Linnet\Core\Number\Numbers::pretty($text->number) : 'no number' }}</span></div>
                @if ($text->picture)<figure class="picture-of mb-1"><img src="{{ $text->picture }}" alt="The picture that goes with this text" loading="lazy"></figure>@endif
                <div class="says">{{ $text->body !== '' ? $text->body : '(no words yet)' }}</div></div>
            @if ($text->parts > 0)
                <p class="sm soft mt-2">{{ ucfirst(TimeFormatter::count($text->parts, 'part', 'parts')) }} in the {{ $text->encoding === 'UCS-2' ? 'wider alphabet (UCS-2), which has room for 70 characters' : 'plain alphabet (GSM-7), which has room for 160 characters' }}@if ($text->left_at); {{ TimeFormatter::price($text->price_micros, $text->currency ?? $business->currency()) }}@endif.</p>
                @if (count($page->parts()) > 1)<ol class="parts sm">@foreach ($page->parts() as $part)<li>{{ $part }} <span class="soft">({{ mb_strlen($part) }})</span></li>@endforeach</ol>@endif
            @endif

            <h2 class="mt-5 mb-1">When what happened</h2>
            <table class="table">
                @foreach ($page->moments() as $moment)
                    <tr><td class="whitespace-nowrap w-36">@time($moment->at, 'D j M H:i:s')</td><td>@if ($moment->tone === 'plain'){{ $moment->says }}@else<x-tone :tone="$moment->tone">{{ $moment->says }}</x-tone>@endif</td></tr>
                @endforeach
                @foreach ($page->decisions() as $trace)<tr><td class="whitespace-nowrap">@time($trace->at, 'D j M H:i:s')</td><td>{{ \App\Sentences\Sentence::of(['code' => $trace->code, 'with' => $trace->with]) }}</td></tr>@endforeach
            </table>

            @if ($page->replies()->isNotEmpty())
                <h2 class="mt-5 mb-1">What came back</h2>
                @foreach ($page->replies() as $reply)<a class="said" href="{{ route('conversations.show', $reply->conversation_id) }}"><span class="soft sm">@time($reply->at, 'D j M H:i')</span><br>{{ $reply->body }}</a>@endforeach
            @endif
        </section>
        <aside>
            @fragment('why')
            @if ($text->verdicts)<h2 class="mb-1">Its checks</h2><x-verdicts :verdicts="$text->verdicts" />@endif
            @endfragment
            @if ($page->journey() !== [])
                <h2 class="mt-5 mb-1">The run it belongs to</h2>
                <p class="sm soft mb-1">{{ $page->run()?->record ? $page->run()->record->called().', ' : '' }}since @time($page->run()->began_at, 'D j M H:i'), <a class="link" href="{{ route('rules.runs', $text->rule_id) }}">see who is in it</a></p>
                <ol class="journey">
                    @foreach ($page->journey() as $moment)
                        <li @class(['this' => $moment->isThis])><span class="soft sm">@time($moment->at, 'D j M H:i')</span>@if ($moment->text && ! $moment->isThis)<a class="link" href="{{ route('messages.show', $moment->text) }}">{{ $moment->says }}</a>@else<span>{{ $moment->says }}</span>@endif</li>
                    @endforeach
                </ol>
            @endif
            @if ($page->request() !== '')
                <h2 class="mt-5 mb-1">What the carrier was told</h2>
                <pre class="panel sm whitespace-pre-wrap break-all" tabindex="0">{{ $page->request() }}</pre>
                <h2 class="mt-3 mb-1">What it answered</h2>
                @if ($text->carrier_said)<pre class="panel sm whitespace-pre-wrap break-all" tabindex="0">{{ $text->carrier_said }}</pre>@else<p class="soft sm">Its words were not kept for this text.</p>@endif
            @endif
        </aside>
    </div>
</x-page>
