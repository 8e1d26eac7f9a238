<div id="rule" x-data="ruleReader" data-changed="{{ $done['line'] ?? '' }}" data-first="{{ $page->rehearsed?->texts[0]->step ?? '' }}" x-on:mouseover="point" x-on:focusin="point">
    <div class="crumb flex gap-4 items-center mb-1"><span><a class="link" href="{{ route('rules.index') }}">Rules</a> / {{ $page->written->folder }}</span>
        <a class="link min-h-6 flex items-center" href="{{ route('rules.document', [$page->rule, 'as' => 'text']) }}" download>As text</a><a class="link min-h-6 flex items-center" href="{{ route('rules.document', $page->rule) }}" download>As a file</a>@can('administer')<form class="min-h-6 flex items-center" method="post" action="{{ route('rules.copy', $page->rule) }}">@csrf<button class="link">Copy</button></form>@endcan</div>
    <div class="head">
        <h1>@can('administer')<details class="word" @if ($errors->hasAny(['name', 'key', 'folder'])) open @endif><summary id="word-name">{{ $page->written->name }}</summary>
            <form class="change" method="post" action="{{ route('rules.draft.update', $page->query()) }}">@csrf @method('patch')
                <label class="field"><span>Name</span><input class="input w-72" name="name" value="{{ old('name', $page->written->name) }}"><x-error name="name" /></label>
                <label class="field"><span>Folder</span><input class="input w-72" name="folder" value="{{ old('folder', $page->written->folder) }}"><x-error name="folder" /></label>
                <label class="field"><span>Other rules know it as</span><input class="input w-72" name="key" value="{{ old('key', $page->written->key) }}"><x-error name="key" /></label>
                <button class="btn small go">Change</button>
            </form></details>@else{{ $page->written->name }}@endcan</h1>
        <div class="acts">
            @if ($page->rule->power->value === 'on')
                <x-tone tone="well"><b>On since @time($page->rule->on_since, 'j F')</b></x-tone>
            @else
                <x-tone tone="held" icon="pause"><b>{{ $page->rule->power->value === 'retired' ? 'Retired' : 'Off' }}</b></x-tone>
            @endif
            @can('administer')
                @if ($page->canUndo)<form method="post" action="{{ route('rules.undo', $page->query()) }}" hx-post="{{ route('rules.undo', $page->query()) }}" hx-target="#rule" hx-swap="outerHTML">@csrf<button class="link sm" id="undo" title="{{ $page->canUndo->staff->name ?? '' }} {{ $page->canUndo->says }}">undo</button></form>@endif
                @if ($page->canRedo)<form method="post" action="{{ route('rules.redo', $page->query()) }}" hx-post="{{ route('rules.redo', $page->query()) }}" hx-target="#rule" hx-swap="outerHTML">@csrf<button class="link sm" id="redo" title="{{ $page->canRedo->says }}">redo</button></form>@endif
                <a class="btn" href="{{ route('rules.trial', $page->query()) }}">Try it on my phone</a>
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

    <x-rule-tabs :rule="$page->rule" />
    @if ($page->rule->power->value === 'paused' && $page->rule->version && array_sum($page->underWay()) > 0)<p class="soft sm">While it is off, {{ $page->underWay()['live'] === 1 ? 'one under way keeps its place' : number_format($page->underWay()['live']).' under way keep their place' }} and nothing leaves. Switched on again, they go on; what has become too late by then is dropped, with that reason.</p>@endif
    <x-error name="power" />
    @foreach ($errors->get('publish') as $message)<p class="error mt-2" role="alert"><x-icon name="circle-alert" />It cannot be published so. {{ $message }}</p>@endforeach
    @foreach ($notes as $note)<p class="note mt-2" role="status">{{ $note }}</p>@endforeach
    @if ($failed && ! $failed->hasPlace($page->writing->lines))<p class="error mt-2" role="alert"><x-icon name="circle-alert" />{{ $failed->says() }}</p>@if ($failed->text !== '')<label class="field mt-2"><span>This was written at a place that is there no more; write it where it belongs now</span><textarea class="input w-full" readonly>{{ $failed->text }}</textarea></label>@endif @endif
    @if ($page->rule->draft)
        <div class="panel mt-3 flex flex-wrap gap-3 items-center">
            <p class="flex-1 min-w-60"><b>{{ $page->rule->version ? 'Changes not published.' : 'Not published yet.' }}</b> {{ $page->rule->version ? 'Version '.$page->rule->version->number.' is still what runs.' : 'Nothing of it runs until it is.' }} {{ $page->underWay()['live'] > 0 ? trans_choice('{1} The one under way finishes on it.|[2,*] The :count under way finish on it.', $page->underWay()['live']) : '' }}</p>
            @can('administer')
                @if ($page->rule->version)<form method="post" action="{{ route('rules.draft.destroy', $page->rule) }}">@csrf @method('delete')<button class="btn">Take the changes back</button></form>@endif
                <details class="word"><summary class="btn go !no-underline">{{ $page->rule->version ? 'Publish changes…' : 'Publish…' }}</summary>
                    <div class="change right-0 !left-auto w-[460px] !max-w-[86vw]">
                        <p class="mb-3 agreement" id="agreement" hx-get="{{ route('rules.agreement', $page->rule) }}" hx-trigger="toggle from:closest details once" aria-live="polite">@if (request()->query('agree')){{ implode(' ', $page->agreement()) }}@else <span class="soft">Asking the engine …</span>@endif</p>
                        <noscript><p class="mb-3"><a class="link" href="{{ route('rules.show', [$page->rule, 'agree' => 1]) }}">Show what publishing means</a></p></noscript>
                        <form method="post" action="{{ route('rules.draft.publish', $page->rule) }}">@csrf
                            @if ($page->rule->version && $page->underWay()['live'] > 0)
                                <fieldset class="mb-3"><legend class="label">The {{ $page->underWay()['live'] }} under way</legend>
                                    <label class="block"><input type="radio" name="under_way" value="finish" checked> finish by the old words</label>
                                    <label class="block"><input type="radio" name="under_way" value="move"> go on by the new ones; who stands at a step that is gone is left for you to decide</label>
                                </fieldset>
                            @endif
                            @if ($page->further()->step !== null)
                                <fieldset class="mb-3"><legend class="label">Those who have been through it</legend>
                                    <label class="block"><input type="checkbox" name="also" value="1"> who came to its end in the last <input class="input w-16 !min-h-0" type="number" name="days" min="1" max="365" value="30" aria-label="So many days" hx-get="{{ route('rules.further', $page->rule) }}" hx-trigger="change, toggle from:closest details once" hx-target="#further" hx-swap="innerHTML"> days take the further step too</label>
                                    <p class="soft sm" id="further" aria-live="polite"></p>
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
        <div class="prose" x-data="sentences" x-on:keydown="key" x-on:click="click" x-on:dragstart="drag" x-on:dragover="over" x-on:drop="drop">
            @foreach ($page->writing->sideBySide() as $lines)
                @if (count($lines) === 1)
                    <x-sentence :line="$lines[0]" :page="$page" :failed="$failed" :opened="($done['opens'] ?? null) === $lines[0]->number" />
                    @can('administer')@foreach ($lines[0]->gaps as $gap)<x-gap :gap="$gap" :page="$page" :failed="$failed" />@endforeach @endcan
                @else
                    <div class="wordings">@foreach ($lines as $line)<div><x-sentence :line="$line" :page="$page" :failed="$failed" :opened="($done['opens'] ?? null) === $line->number" />@can('administer')@foreach ($line->gaps as $gap)@if (! $loop->parent->last || $gap->which === 'wording')<x-gap :gap="$gap" :page="$page" :failed="$failed" />@endif @endforeach @endcan</div>@endforeach</div>
                    @can('administer')@foreach ($lines[count($lines) - 1]->gaps as $gap)@if ($gap->which !== 'wording')<x-gap :gap="$gap" :page="$page" :failed="$failed" />@endif @endforeach @endcan
                @endif
            @endforeach
            @can('administer')
                <form id="act" class="hidden" method="post" action="{{ route('rules.sentences', $page->query()) }}" hx-post="{{ route('rules.sentences', $page->query()) }}" hx-target="#rule" hx-swap="outerHTML">@csrf<input name="do"><input name="line"><input name="to" value="0"><input name="depth" value="1"><input name="base" value="{{ $page->base() }}"></form>
            @endcan
        </div>
        <aside>
            <div id="checks" hx-get="{{ route('rules.checks', $page->rule) }}" hx-trigger="load" hx-swap="innerHTML" aria-live="polite"></div>
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
