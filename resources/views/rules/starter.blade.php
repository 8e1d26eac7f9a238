<x-page :title="$page->starter->rule->name">
    @php($casting = $page->casting)
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / <a class="link" href="{{ route('rules.starters') }}">Starters</a> / {{ $page->starter->rule->folder }}</div>
    <h1>{{ $page->starter->rule->name }}</h1>
    <p class="mb-1 max-w-3xl">{{ $page->starter->for }}</p>
    @if ($page->starter->needs !== '')<p class="soft sm">It needs {{ $page->starter->needs }}</p>@endif
    <x-drawn-time :time-line="$page->timeLine"><span>As it would go for Robin, who is made up, if nobody answers</span><span class="soft">by your hours and limits</span></x-drawn-time>
    <div class="rule-columns">
        <div class="prose">
            @foreach ($page->lines as $line)
                <div class="sentence mb-2" data-depth="{{ min(max(0, $line->depth - 1), 6) }}">
                    @if ($line->letter)<span class="mark" aria-hidden="true">{{ $line->letter }}</span>@endif
                    <p class="reads">{{ \Linnet\Core\Prose\Line::capital($line->sentence()) }}</p>
                    @if ($line->words !== null)<div class="letter whitespace-pre-line"><x-words :words="\Linnet\Core\Text\Template\Template::parse($line->words)" :tokens="$page->tokens()" /></div>@endif
                </div>
            @endforeach
        </div>
        <aside>
            <form class="panel" id="parts" method="post" action="{{ route('rules.starters.store', $page->starter->key) }}">@csrf
                <h2 class="mb-2">Which of yours play its parts?</h2>
                @error('parts')<p class="error" role="alert"><x-icon name="circle-alert" />{{ $message }}</p>@enderror
                @if ($page->starter->parts() === [])<p class="soft sm mb-2">It is about people alone.</p>@endif
                @foreach ($page->starter->parts() as $part)
                    @php($isNew = $casting->type($part) === \App\Rules\Casting::NEW)
                    @if ($part->key !== 'person')
                        <label class="field"><span>{{ ucfirst(\Linnet\Core\Prose\Grammar\Make::a(mb_strtolower($part->name))) }} is</span>
                            <select class="input w-full" name="types[{{ $part->key }}]" hx-get="{{ route('rules.starters.show', $page->starter->key) }}" hx-include="#parts" hx-target="#parts" hx-select="#parts" hx-swap="outerHTML">@foreach ($casting->types() as $key => $name)<option value="{{ $key }}" @selected($casting->type($part) === $key)>{{ $name }}</option>@endforeach<option value="+" @selected($isNew)>none yet: make it</option></select></label>
                    @endif
                    @foreach ($part->fields as $field)
                        @if ($isNew)
                            <p class="soft sm">with {{ mb_strtolower($field->name) }} ({{ $field->kind->says() }}{{ $field->options === [] ? '' : ': '.implode(', ', $field->options) }})</p>
                        @else
                            <label class="field pl-4"><span>its {{ mb_strtolower($field->name) }}</span>
                                <select class="input w-full" name="fields[{{ $part->key }}.{{ $field->key }}]" hx-get="{{ route('rules.starters.show', $page->starter->key) }}" hx-include="#parts" hx-target="#parts" hx-select="#parts" hx-swap="outerHTML">@foreach ($casting->fields($part, $field) as $key => $name)<option value="{{ $key }}" @selected($casting->field($part, $field) === $key)>{{ $name }}</option>@endforeach<option value="+" @selected($casting->field($part, $field) === '+')>none yet: make it</option></select></label>
                            @if ($casting->field($part, $field) !== '+')
                                @foreach ($field->options as $choice)
                                    <label class="flex gap-2 items-center pl-8 mb-1 sm"><span class="w-28">“{{ $choice }}” is</span><select class="input" name="choices[{{ $part->key }}.{{ $field->key }}][{{ $choice }}]">@foreach ($casting->options($part, $field) as $option)<option @selected($casting->choice($part, $field, $choice) === $option)>{{ $option }}</option>@endforeach</select></label>
                                @endforeach
                            @endif
                        @endif
                    @endforeach
                @endforeach
                <label class="field mt-2"><span>Its texts leave from</span><select class="input w-full" name="line">@foreach ($casting->lines() as $key => $name)<option value="{{ $key }}" @selected($casting->line() === $key)>{{ $name }}</option>@endforeach</select></label>
                <button class="btn go mt-2">Take this one</button>
                <noscript><button class="btn small mt-2" formmethod="get" formaction="{{ route('rules.starters.show', $page->starter->key) }}">Show the fields of what was chosen</button></noscript>
            </form>
        </aside>
    </div>
</x-page>
