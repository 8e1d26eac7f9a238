@php use App\Clock\TimeFormatter; use App\Pages\Several\Departures; @endphp
@php([$letter, $writes, $to] = [$page->letter, $several->isWritten() && Gate::allows('administer'), $page->to($rule->writing->language)])
@php($figures = $isWorkedOut && $letter !== null ? $page->figures() : null)
<x-page :title="$several->rule->name">
    <div class="crumb"><a class="link" href="{{ route('conversations.index') }}">Conversations</a> / <a class="link" href="{{ route('several.index') }}">Texts to several</a> /</div>
    <div class="head">
        <h1>@if ($writes)<details class="word" @error('name') open @enderror><summary>{{ $several->rule->name }}</summary>
            <form class="change" method="post" action="{{ route('several.update', $several) }}">@csrf @method('put')<label class="field"><span>Name, to find it by</span><input class="input w-72" name="name" maxlength="120" value="{{ old('name', $several->rule->name) }}"></label><x-error name="name" /><button class="btn small go">Change</button></form></details>@else{{ $several->rule->name }}@endif</h1>
        <div class="acts flex-wrap" id="acts">
            @if ($writes)
                <a class="btn" href="{{ route('rules.trial', $rule->query()) }}">Try it on my phone</a>
                @if (! $letter?->isSaid())<span class="soft sm">Write the words, then it can be let go.</span>
                @elseif ($isWorkedOut && $page->getIt() > 0)
                    <details class="word" @error('several') open @enderror><summary class="btn go !no-underline">Let {{ number_format($page->getIt()) }} go…</summary>
                        <div class="change right-0 !left-auto w-[420px] !max-w-[86vw]">
                            <p class="mb-3">{{ ucfirst(TimeFormatter::count($page->getIt(), 'person gets', 'people get')) }} this text{{ $figures ? ', for '.$figures->price.' in all' : '' }}, {{ $page->when() === 'now' ? 'beginning at once' : $page->when() }}. {{ $letter->kind->value === 'marketing' ? 'It goes only to those who have agreed to offers.' : 'As a service text it may not be used for offers.' }} It can be held and stopped as long as some have not left; what has left has left.</p>
                            <form method="post" action="{{ route('several.go', $several) }}">@csrf<button class="btn go">Let it go</button></form>
                        </div></details>
                @endif
                <form method="post" action="{{ route('several.destroy', $several) }}">@csrf @method('delete')<button class="link sm">Throw away</button></form>
            @elseif (! $several->isWritten())
                @can('administer')
                    @if ($page->isUnderWay())
                        <form method="post" action="{{ route('several.power', $several) }}">@csrf @method('put')@if ($several->isPaused())<button class="btn go" name="power" value="on"><x-icon name="play" />Go on</button>@else<button class="btn" name="power" value="paused"><x-icon name="pause" />Hold the rest</button>@endif</form>
                        <details class="word"><summary class="link sm">Stop the rest…</summary><div class="change right-0 !left-auto"><p class="mb-2">What has not left yet never will. This cannot be undone.</p><form method="post" action="{{ route('several.power', $several) }}">@csrf @method('put')<button class="btn" name="power" value="stopped">Stop the rest for good</button></form></div></details>
                    @endif
                @endcan
                <a class="btn" href="{{ route('rules.results', $several->rule) }}">Results</a>
            @endif
        </div>
    </div>
    <x-error name="several" />
    @unless ($isWorkedOut)<div hx-get="{{ route('several.show', $several) }}" hx-trigger="worked-out from:body" hx-swap="none" hx-select-oob="#acts,#figures,#price,#drawn,#example"></div>@endunless
    @unless ($several->isWritten())@include('several.progress')@endunless
    @if ($letter === null)
        <p class="my-3">It does more than a text to several by now. <a class="link" href="{{ route('rules.show', $several->rule) }}">Open it as a rule</a>.</p>
    @else
    <div class="rule-columns">
        <div>
            <div class="prose several-says !pl-0">To @if ($writes && ! $several->ticked)<details class="word" @error('sentence') open @enderror><summary>{{ $to }}</summary><div class="change w-[560px] !max-w-[86vw]"><form method="post" action="{{ route('several.update', $several) }}">@csrf @method('put')<x-audience-line :value="old('sentence', $to)" label="Who gets it" /><button class="btn small go mt-2">Change</button></form></div></details>@else{{ $to }}@endif, from @if ($writes)<details class="word" @error('line') open @enderror><summary>{{ $page->line() }}</summary><div class="change"><form method="post" action="{{ route('several.update', $several) }}">@csrf @method('put')<label class="label" for="line">From</label><select class="input" id="line" name="line"><option value="">the line last used with each</option>@foreach ($rule->writing->language->words->lines as $key => $name)<option value="{{ $key }}" @selected($letter->line === $key)>the {{ $name }}</option>@endforeach</select><x-error name="line" /><button class="btn small go mt-2">Change</button></form></div></details>@else{{ $page->line() }}@endif, as a @if ($writes)<details class="word"><summary>{{ $letter->kind->value }} text</summary><div class="change w-80"><form method="post" action="{{ route('several.update', $several) }}">@csrf @method('put')<label class="block mb-1"><input type="radio" name="kind" value="service" @checked($letter->kind->value === 'service')> service text: about something they have with us</label><label class="block mb-2"><input type="radio" name="kind" value="marketing" @checked($letter->kind->value === 'marketing')> marketing text: an offer, for those who agreed to them</label><button class="btn small go">Change</button></form></div></details>@else{{ $letter->kind->value.' text' }}@endif, @if ($writes)<details class="word" @error('at') open @enderror><summary>{{ $page->when() }}</summary><div class="change w-80"><form method="post" action="{{ route('several.update', $several) }}">@csrf @method('put')
                    @php($when = old('when', $letter->at === null ? 'now' : ($letter->theirs ? 'theirs' : 'ours')))
                    <label class="block"><input type="radio" name="when" value="now" @checked($when === 'now')> now</label><label class="block"><input type="radio" name="when" value="ours" @checked($when === 'ours')> at a moment by our clock</label><label class="block mb-2"><input type="radio" name="when" value="theirs" @checked($when === 'theirs')> at a time of day where each of them is</label>
                    <label><span class="label">Day and time</span><input class="input" type="datetime-local" name="at" value="{{ old('at', $letter->at ?? $page->now->setTimezone(new DateTimeZone($page->business->zone))->modify('+1 day')->format('Y-m-d\T09:00')) }}" @error('at') aria-invalid="true" @enderror></label><x-error name="at" /><p class="mt-2"><button class="btn small go">Change</button></p></form></div></details>@else{{ $page->when() }}@endif:</div>
            <div class="letter mt-2">
                <div x-data="wording">
                    @php($added = ($first = $rule->firstText()) === null ? ['', ''] : $rule->addedTo($first))
                    <div x-show="!editing" class="whitespace-pre-line"><span class="added">{{ $added[0] }}</span><x-words :words="$rule->template($letter->words)" :tokens="$rule->tokens()" /><span class="added">{{ $added[1] }}</span></div>
                    @if ($writes)
                        <form method="post" action="{{ route('several.update', $several) }}" x-show="editing" @error('text') @else x-cloak @enderror data-open="{{ $errors->has('text') || request()->boolean('words') ? '1' : '' }}">@csrf @method('put')
                            <x-word-editor id="words" :words="(string) old('text', $letter->words)" :page="$rule" :step="\App\Several\Letter::STEP" :added="$added" :wrong="$errors->first('text') ?: null" label="The words of the text" />
                        </form>
                    @endif
                    <div class="counts">
                        <span id="figures">@if ($figures){{ ucfirst(TimeFormatter::count($figures->parts, 'part', 'parts')) }} over all{{ $figures->longest > 1 ? ', up to '.$figures->longest.' a text' : '' }}@endif</span>
                        @if ($writes)<button class="link scripted" type="button" x-show="!editing" x-on:click="open">Change the words</button>@if ($rule->firstText())<x-picture :step="$rule->firstText()" :page="$rule" />@endif @endif
                        <span class="price" id="price">@if ($figures){{ $figures->price }} in all @endif</span>
                    </div>
                </div>
            </div>
            <p class="soft sm mt-2">Replies come to whoever has the conversation, else to the people of the line. Whoever said stop never gets it; decent hours, caps, budget and pace hold as for any rule. <a class="link" href="{{ route('rules.show', $several->rule) }}">It is a rule</a>, with its versions and reasons.</p>
            <div id="drawn">
            @if ($figures)
                <h2 class="mt-5 mb-1">{{ $several->isWritten() ? 'When they would go' : 'When they were to go' }}</h2>
                @php($drawn = $page->departures())
                <div class="scroll" tabindex="0" role="region" aria-label="When they would go, drawn"><svg class="drawn bars" viewBox="0 0 {{ Departures::WIDTH }} 112" role="img" aria-label="Texts by when they would leave">
                    <line class="base" x1="0" x2="{{ Departures::WIDTH }}" y1="{{ Departures::AXIS }}" y2="{{ Departures::AXIS }}" />
                    @foreach ($drawn->threads() as $thread)<path class="held-thread" d="M{{ $thread['from'] + 4 }} 58 C {{ $thread['from'] + ($thread['to'] - $thread['from']) * 0.3 }} 22 {{ $thread['from'] + ($thread['to'] - $thread['from']) * 0.7 }} 22 {{ $thread['to'] + 4 }} 66" />@endforeach
                    @if ($drawn->threads() !== [])<text class="held-says" x="{{ $drawn->threads()[0]['from'] + 90 }}" y="14">held: no decent hour there yet</text>@endif
                    @foreach ($drawn->bars() as $bar)<rect class="went" x="{{ $bar['x'] }}" y="{{ $bar['y'] }}" width="{{ $bar['width'] }}" height="{{ $bar['height'] }}"><title>{{ $bar['says'] }}</title></rect><text x="{{ $bar['x'] + ($drawn->threads() === [] ? 0 : 12) }}" y="{{ $bar['y'] - 4 }}">{{ $bar['label'] }}</text>@endforeach
                    @foreach ($drawn->marks() as $mark)<text x="{{ $mark['x'] }}" y="102">{{ $mark['says'] }}</text>@endforeach
                </svg></div>
                <p class="soft sm">The first {{ $several->isWritten() ? 'leaves' : 'was to leave' }} @time($figures->first, 'D j M H:i'), the last @time($figures->last, 'D j M H:i').</p>
            @endif
            </div>
        </div>
        <aside>
            @include('several.who')
            <div id="example">
            @if ($isWorkedOut && ($one = $page->example()) !== null)
                <div class="handset mt-4">
                    <div class="who"><span>As {{ $one->person->called() }} would get it</span><span>@if ($one->leaves_at === null)later @else{{ $one->leaves_at->setTimezone(new DateTimeZone($one->zone ?? $page->business->zone))->format('D j, H:i') }}{{ $one->zone !== null && $one->zone !== $page->business->zone ? ' there' : '' }}@endif</span></div>
                    @if ($letter->picture !== null)<figure class="picture-of mb-1"><img src="{{ $letter->picture }}" alt="The picture that goes with this text" loading="lazy"></figure>@endif
                    <div class="says">{{ $one->body }}</div>
                </div>
                @if ($one->reason)<x-reason :reason="$one->reason" class="mt-2" />@endif
            @endif
            </div>
        </aside>
    </div>
    @endif
</x-page>
