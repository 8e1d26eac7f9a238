@php($act = route('rules.trial.send', $page->rule))
@php($zone = new DateTimeZone($page->receiver->zone ?? $page->business->zone))
<div class="rule-columns">
    <section>
        @if ($isChanged)<p class="note mb-3"><b>The rule has been changed since this trial began.</b> Begin it again to try what it says now.</p>@endif
        @if ($trial === null)
            <form method="post" action="{{ route('rules.trial.begin', $page->query()) }}">@csrf<button class="btn go" @disabled($page->sample === null)>Begin the trial</button></form>
        @else
            <h2 class="mb-2">{{ $ahead === [] ? 'Nothing more would leave' : 'Still to come, if you do not answer' }}</h2>
            @foreach ($ahead === [] ? $kept : [] as $reason)<p class="note mb-3">{{ \App\Sentences\Sentence::of($reason) }}</p>@endforeach
            @foreach ($ahead as $text)
                <div @class(['mb-3', 'soft' => ! $loop->first])>
                    <p class="sm"><b>{{ $loop->first ? 'Next' : 'Then' }}</b>, {{ $text->leavesAt->setTimezone($zone)->format('D j M H:i') }} for {{ $page->receiver?->who }}</p>
                    <div class="letter whitespace-pre-line">{{ $text->composed->body }}</div>
                </div>
            @endforeach
            <form class="flex gap-2 flex-wrap" method="post" action="{{ $act }}">@csrf<input type="hidden" name="sent" value="{{ $trial->sent() }}">
                @if ($trial->texts->contains(fn ($text) => ! $text->inbound && in_array($text->state->value, ['ready', 'failed'], true)))<button class="btn go" name="what" value="again">Try again what was not taken</button>@endif
                @if ($ahead !== [])<button class="btn go" name="what" value="next">Send the next</button>@if (count($ahead) > 1)<button class="btn" name="what" value="all">Send all {{ count($ahead) }}, one after another</button>@endif @endif
                <button class="btn" name="what" value="end">End the trial</button>
            </form>
            <form class="mt-2" method="post" action="{{ route('rules.trial.begin', $page->query()) }}">@csrf<button class="link sm">Begin again</button></form>
        @endif
    </section>
    <aside>
        <div class="handset">
            <div class="who"><span>{{ \Linnet\Core\Number\Numbers::pretty((string) $staff->number) }}, yours</span></div>
            @forelse ($trial->texts ?? [] as $text)
                <div @class(['says mt-2', 'mine' => $text->inbound])>{{ $text->body }}</div>
                <p class="soft sm">{{ $text->inbound ? 'you wrote' : $text->line->name.', '.$text->state->word() }}{{ $text->detail ? ": $text->detail" : '' }}</p>
            @empty
                <p class="soft sm">Nothing yet. What you write back to these texts is taken as the answer of {{ $page->receiver?->who ?? 'the sample' }}.</p>
            @endforelse
        </div>
    </aside>
</div>
