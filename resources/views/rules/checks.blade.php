@if ($page->overWhom() !== '')<p class="soft sm mb-2">{{ $page->overWhom() }}</p>@endif
@if ($page->findings !== [])
    <h2 class="mb-2">Worth a look</h2>
    @foreach ($page->findings as $finding)
        @php($line = $finding->step === null ? null : $page->writing->near(0, $finding->step))
        <div @class(['note', 'mb-3', 'blocks' => $finding->blocks])>
            @if ($finding->blocks)<b>This keeps it from being published.</b> @endif{{ \App\Sentences\Sentence::of($finding->reason) }}
            @if ($line !== null)<a class="link" href="#line-{{ $line }}">Show it</a>@endif
            @if ($finding->reason->code === 'check.same_occasion')<div hx-get="{{ route('rules.overlap', [$page->rule, 'with' => $finding->reason->with['rule']]) }}" hx-trigger="load" hx-target="this" hx-swap="innerHTML"></div>
            @elseif ($finding->reason->code === 'check.ring')<ol class="rounds" aria-label="The ring, from one to the next and back to the first">@foreach ($finding->reason->with['rules'] as $name)<li>{{ $name }}</li>@endforeach</ol>@endif
            @php($place = $finding->mend === null ? null : $page->writing->lineOfWords($finding->mend->step, $finding->mend->was))
            @if ($place !== null && Gate::allows('administer'))
                <form class="inline" method="post" action="{{ route('rules.sentences', $page->rule) }}" hx-post="{{ route('rules.sentences', $page->rule) }}" hx-target="#rule" hx-swap="outerHTML">@csrf
                    <input type="hidden" name="do" value="words"><input type="hidden" name="line" value="{{ $place->number }}"><input type="hidden" name="base" value="{{ (int) $page->rule->edit_id }}"><input type="hidden" name="text" value="{{ $finding->mend->words }}">
                    <button class="link">{{ $finding->reason->code === 'check.costly_character' ? 'Write it plainly' : 'Say something instead' }}</button></form>
            @endif
        </div>
    @endforeach
    <div class="mb-5"></div>
@endif
@can('administer')
    @if ($page->question->examples !== [])<h2 class="mb-1">Examples</h2>
        <ul class="mb-3">@foreach ($page->question->examples as $i => [$example, $came])<li class="mb-1"><x-tone :tone="\Linnet\Core\Check\BrokenExample::differs($example, $came) === null ? 'well' : 'bad'"><a class="link" href="{{ route('rules.examples.show', [$page->rule, $i + 1]) }}">{{ $example->name }}</a></x-tone></li>@endforeach</ul>@endif
@endcan
@foreach ($page->bounds() as $line => $says)<span id="bounds-{{ $line }}" hx-swap-oob="true">{{ $says }}</span>@endforeach
