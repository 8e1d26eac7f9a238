@php($zone = new DateTimeZone($page->example->zone))
<x-page :title="$page->example->name">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / <a class="link" href="{{ route('rules.show', $page->rule) }}">{{ $page->written->name }}</a> / Examples</div>
    <h1>{{ $page->example->name }}</h1>
    <x-drawn-time :time-line="$page->timeLine"><span>As it would go for {{ $page->run->receiver->who }}, who is made up, {{ $page->happens === [] ? 'if nobody answers' : 'if '.implode(' and ', $page->happens) }}</span><span class="soft">hours shown in {{ \App\Clock\TimeFormatter::place($page->example->zone) }}</span></x-drawn-time>
    @if ($page->differs !== null)
        <div class="note blocks mt-4" role="status"><b>It goes otherwise than expected.</b> {{ $page->differs }}
            <form class="inline" method="post" action="{{ route('rules.examples.update', [$page->rule, $page->number]) }}">@csrf @method('put')<input type="hidden" name="was" value="{{ $page->example->name }}"><button class="link" name="accept" value="1">It should be so</button></form></div>
    @else
        <p class="mt-4"><x-tone tone="well">It goes as expected.</x-tone></p>
    @endif
    <div class="rule-columns mt-4">
        <section>
            <h2 class="mb-2">What comes</h2>
            @forelse ($page->run->came() as $text)
                <p class="sm"><b>{{ ucfirst($page->letters[$text->step] ?? $text->step) }}</b>, {{ $text->at->setTimezone($zone)->format('D j M H:i') }}</p>
                <div class="letter">{{ $text->begins }}…</div>
            @empty
                <p class="soft">No text.</p>
            @endforelse
        </section>
        <aside>
            <form class="panel" method="post" action="{{ route('rules.examples.update', [$page->rule, $page->number]) }}">@csrf @method('put')<input type="hidden" name="was" value="{{ $page->example->name }}">
                <h2 class="mb-2">Who is made up</h2>
                <label class="field"><span>The example is called</span><input class="input w-full" name="name" value="{{ old('name', $page->example->name) }}" maxlength="80"></label><x-error name="name" />
                <div class="flex gap-3"><label class="field"><span>First name</span><input class="input w-full" name="first_name" value="{{ old('first_name', $page->example->person['first_name'] ?? '') }}"></label>
                    <label class="field"><span>Last name</span><input class="input w-full" name="last_name" value="{{ old('last_name', $page->example->person['last_name'] ?? '') }}"></label></div>
                <label class="field"><span>Where they are</span><input class="input w-full" name="zone" value="{{ old('zone', $page->example->zone) }}" list="zones"></label><x-error name="zone" />
                <datalist id="zones">@foreach (timezone_identifiers_list() as $one)<option>{{ $one }}</option>@endforeach</datalist>
                <label class="field"><span>It begins ({{ \App\Clock\TimeFormatter::place($page->business->zone) }} time)</span><input class="input" type="datetime-local" name="at" value="{{ old('at', $page->example->at->setTimezone(new DateTimeZone($page->business->zone))->format('Y-m-d\TH:i')) }}"></label><x-error name="at" />
                @if ($record = $page->record())<h2 class="mt-4 mb-2">{{ $page->type->name }}</h2>@foreach (\App\Pages\Rules\ExamplePage::fields($page->type) as $field)<x-control :field="$field" :page="$record" :business="$page->business" />@endforeach @endif
                <h2 class="mt-4 mb-2">What happens</h2>
                @foreach ([...old('happens', $page->happens), ''] as $one)<input class="input w-full mb-1" name="happens[]" value="{{ $one }}" aria-label="Something that happens" placeholder="they answer YES after text a">@endforeach
                <x-error name="happens" />
                <div class="flex gap-3 mt-3"><button class="btn go">Keep it so</button></div>
            </form>
            <form class="mt-3" method="post" action="{{ route('rules.examples.destroy', [$page->rule, $page->number]) }}">@csrf @method('delete')<input type="hidden" name="was" value="{{ $page->example->name }}"><button class="link sm">Take this example out</button></form>
        </aside>
    </div>
</x-page>
