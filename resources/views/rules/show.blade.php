<x-page :title="$page->rule->name">
    @fragment('rule')
    <div id="rule" x-data="ruleReader" data-first="{{ $page->rehearsed?->texts[0]->step ?? '' }}" x-on:mouseover="point" x-on:focusin="point">
        <div class="crumb flex gap-4 items-center mb-1"><span><a class="link" href="{{ route('rules.index') }}">Rules</a> / {{ $page->written->folder }}</span>
            <a class="link min-h-6 flex items-center" href="{{ route('rules.runs', [$page->rule, 'state' => 'live']) }}">Under way</a><a class="link min-h-6 flex items-center" href="{{ route('rules.results', $page->rule) }}">Results</a><a class="link min-h-6 flex items-center" href="{{ route('rules.document', $page->rule) }}" download>As a file</a></div>
        <div class="head">
            <h1>@can('administer')<x-word :word="new \App\View\Rules\Word($page->written->name, 'name', null, 'Name', [], ['value' => $page->written->name])" :page="$page" :wrong="$wrong" :changed="$changed" />@else{{ $page->written->name }}@endcan</h1>
            <div class="acts">
                @if ($page->rule->power->value === 'on')
                    <x-tone tone="well"><b>On since <x-time :at="$page->rule->on_since" format="j F" /></b></x-tone>
                @else
                    <x-tone tone="held" icon="pause"><b>{{ $page->rule->power->value === 'retired' ? 'Retired' : 'Off' }}</b></x-tone>
                @endif
                @can('administer')
                    <form method="post" action="{{ route('rules.copy', $page->rule) }}">@csrf<button class="btn">Copy</button></form>
                    @if ($page->rule->power->value !== 'retired')
                    <form method="post" action="{{ route('rules.power', $page->rule) }}">@csrf @method('put')
                        @if ($page->rule->power->value === 'on')
                            <button class="btn" name="power" value="paused" title="{{ $page->underWay()['live'] }} under way keep their place; nothing leaves until it is on again"><x-icon name="pause" />Switch off</button>
                        @else
                            <button @class(['btn', 'go' => ! $page->rule->draft]) name="power" value="on"><x-icon name="play" />Switch on</button>
                        @endif
                    </form>
                    <details class="word"><summary class="link sm">Retire…</summary>
                        <div class="change right-0 !left-auto">
                            <p class="mb-2">{{ $page->underWay()['live'] === 1 ? 'One is' : number_format($page->underWay()['live']).' are' }} under way and will end; {{ $page->underWay()['held'] === 1 ? 'one text that waits' : number_format($page->underWay()['held']).' texts that wait' }} will be dropped. This cannot be undone; the rule can be copied.</p>
                            <form method="post" action="{{ route('rules.power', $page->rule) }}">@csrf @method('put')<button class="btn" name="power" value="retired">Retire it for good</button></form>
                        </div>
                    </details>
                    @endif
                @endcan
            </div>
        </div>

        <x-error name="power" />
        @if ($page->rule->draft)
            <div class="panel mt-3 flex flex-wrap gap-3 items-center">
                <p class="flex-1 min-w-60"><b>{{ $page->rule->version ? 'Changes not published.' : 'Not published yet.' }}</b> {{ $page->rule->version ? 'Version '.$page->rule->version->number.' is still what runs.' : 'Nothing of it runs until it is.' }} {{ $page->underWay()['live'] > 0 ? trans_choice('{1} The one under way finishes on it.|[2,*] The :count under way finish on it.', $page->underWay()['live']) : '' }}</p>
                @can('administer')
                    @if ($page->rule->version)<form method="post" action="{{ route('rules.draft.destroy', $page->rule) }}">@csrf @method('delete')<button class="btn">Take the changes back</button></form>@endif
                    <details class="word"><summary class="btn go !no-underline">{{ $page->rule->version ? 'Publish changes…' : 'Publish…' }}</summary>
                        <div class="change right-0 !left-auto">
                            <p class="mb-3 agreement">{{ implode(' ', $page->agreement()) }}</p>
                            <form method="post" action="{{ route('rules.draft.publish', $page->rule) }}">@csrf
                                @if ($page->rule->version && $page->underWay()['live'] > 0)
                                    <fieldset class="mb-3"><legend class="label">The {{ $page->underWay()['live'] }} under way</legend>
                                        <label class="block"><input type="radio" name="under_way" value="finish" checked> finish by the old words</label>
                                        <label class="block"><input type="radio" name="under_way" value="move"> go on by the new ones; who stands at a step that is gone is left for you to decide</label>
                                    </fieldset>
                                @endif
                                <button class="btn go">Publish version {{ ($page->rule->version?->number ?? 0) + 1 }}</button></form>
                        </div>
                    </details>
                @endcan
            </div>
        @endif

        @if ($page->timeLine)
            <x-time-line :page="$page" />
        @else
            <div class="panel mt-4 soft">When the first {{ $page->written->trigger->type() }} has come in, this rule is drawn here as it would go for it.</div>
        @endif

        <div class="rule-columns">
            <div class="prose">
                @foreach ($page->prose->paragraphs() as $paragraph)
                    <div class="sentence" @if ($paragraph->depth > 0) data-depth="{{ min($paragraph->depth, 6) }}" @endif @if ($paragraph->text) data-step="{{ $paragraph->text->id() }}" @endif>
                        @if ($paragraph->mark)<span class="mark" aria-hidden="true">{{ $paragraph->mark }}</span>@endif
                        <x-prose-words :parts="$paragraph->parts" :page="$page" :wrong="$wrong" :changed="$changed" />
                        @if ($paragraph->text)<x-letter :step="$paragraph->text" :page="$page" :wrong="$wrong" :changed="$changed" :typed="$typed ?? []" />@endif
                    </div>
                @endforeach
            </div>
            <aside>
                @foreach ($page->rehearsed?->texts ?? [] as $text)
                    <div data-step="{{ $text->step }}" data-only-lit @if (! $loop->first) hidden @endif>
                        <x-handset :text="$text" :page="$page" />
                    </div>
                @endforeach
                @if ($page->notStarted)
                    <div class="note mt-4"><b>It would not start for this one.</b> {{ \App\Sentences\Sentence::of($page->notStarted->reason) }} What is drawn is how it would have gone.</div>
                @endif
            </aside>
        </div>
    </div>
    @endfragment
</x-page>
