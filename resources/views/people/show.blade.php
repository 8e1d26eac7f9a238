<x-page :title="$page->person->name()">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> /</div>
    <div class="head">
        <div>
            <h1>{{ $page->person->name() }}</h1>
            @if ($page->receiver->zone !== $business->zone)<p class="soft">It is {{ $page->now->setTimezone(new DateTimeZone($page->receiver->zone))->format('H:i') }} for {{ $page->receiver->who }} (in {{ \App\Clock\TimeFormatter::place($page->receiver->zone) }}; here it is @time($page->now)).</p>@endif
        </div>
        <div class="acts person-acts">
            @can('converse')@can('view')<a class="btn" href="{{ route('people.edit', $page->person) }}">Change</a>@endcan @endcan
            @can('converse')<x-note-box :person="$page->person->id" /><a class="btn" href="{{ route('people.write', $page->person) }}"><x-icon name="pencil" />Write</a>@endcan
            @foreach ($page->conversations() as $conversation)
                <a class="btn" href="{{ route('conversations.show', $conversation) }}"><x-icon name="message-square" />With the {{ $conversation->line->name }}</a>
            @endforeach
        </div>
    </div>
    <div class="two mt-4">
        <section>
            @if ($page->coming()->isNotEmpty())
                <h2 class="mb-2">Coming texts <span class="soft sm">in the next two weeks, if {{ $page->receiver->who }} does not answer and nothing moves</span></h2>
                @foreach ($page->coming() as $text)<x-coming-text :text="$text" :whose="false" dated />@endforeach
            @endif
            <h2 class="mt-4" id="story">The story</h2>
            @php($here = fn (?string $kind): string => route('people.show', array_filter(['person' => $page->person->id, 'story' => $kind, 'day' => $page->day])).'#story')
            <div class="tabs items-center">
                <nav class="contents" aria-label="What of the story">
                    <a href="{{ $here(null) }}" @if ($page->only === null) aria-current="true" @endif>All</a>
                    @foreach (\App\Pages\StoryKind::cases() as $kind)<a href="{{ $here($kind->value) }}" @if ($page->only === $kind) aria-current="true" @endif>{{ $kind->says() }}</a>@endforeach
                </nav>
                <form class="flex gap-2 items-center ml-auto" method="get" action="{{ route('people.show', $page->person) }}#story">@if ($page->only)<input type="hidden" name="story" value="{{ $page->only->value }}">@endif
                    <label>up to <input class="input" type="date" name="day" value="{{ $page->day }}"></label><button class="btn small">Show</button></form>
            </div>
            @if ($page->story()->days === [] && ($page->only || $page->day))
                <x-empty>Nothing of this kind{{ $page->day ? ' up to then' : '' }}.</x-empty>
            @elseif ($page->story()->days === [])
                <x-empty>Nothing has happened with {{ $page->receiver->who }} yet. Calls, texts and every decision about them will stand here with its reason.</x-empty>
            @else
                <x-story :story="$page->story()" />
            @endif
        </section>
        <aside>
            <h2 class="mb-1">May we text {{ $page->receiver->who }}?</h2>
            <x-may-we-text :receiver="$page->receiver" />

            <h2 class="mt-5 mb-1">Facts</h2>
            <dl class="facts">
                @php($changes = Gate::allows('converse') && Gate::allows('view'))
                @foreach ($page->numbers() as $number)
                    <dt>{{ $number->label ?? ['mobile' => 'Mobile', 'landline' => 'Landline', 'either' => 'Number', 'other' => 'Number', 'unknown' => 'Number'][$number->kind->value] }}</dt>
                    <dd>{{ \Linnet\Core\Number\Numbers::pretty($number->e164) }}@if ($number->kind->value === 'either') <span class="soft sm">mobile or landline: the number does not tell</span>@elseif ($number->label !== null) <span class="soft sm">{{ $number->kind->value }}</span>@endif
                        @if ($loop->first && $loop->count > 1)<br><span class="soft sm">texts go here</span>@endif
                        @if ($number->alive === false)<br><x-tone tone="bad">nobody has this number</x-tone>@elseif ($number->alive)<br><x-tone tone="well">in use</x-tone>@endif
                        @if ($number->looked_up_at)<br><span class="soft sm">looked up @time($number->looked_up_at, 'D j M H:i')</span>@endif
                        @if ($changes)
                            <details><summary class="link sm min-h-6 py-0.5">Change<span class="sr-only"> {{ \Linnet\Core\Number\Numbers::pretty($number->e164) }}</span></summary><div class="mt-1 mb-2">
                                <form method="post" action="{{ route('numbers.update', $number) }}">@csrf @method('put')<label class="label" for="label-{{ $number->id }}">What it is called</label><div class="flex gap-2"><input class="input w-36" id="label-{{ $number->id }}" name="label" maxlength="40" value="{{ $number->label }}" placeholder="work"><button class="btn small go">Keep</button></div></form>
                                <div class="flex gap-3 flex-wrap mt-2">
                                    @unless ($loop->first)<form method="post" action="{{ route('numbers.update', $number) }}">@csrf @method('put')<button class="btn small" name="first" value="1">Text this one</button></form>@endunless
                                    @if ($lookup)<form method="post" action="{{ route('numbers.look-up', $number) }}">@csrf<button class="btn small" aria-label="Look up {{ \Linnet\Core\Number\Numbers::pretty($number->e164) }}">Look up{{ $number->looked_up_at ? ' again' : '' }}</button></form>@endif
                                    <form method="post" action="{{ route('numbers.destroy', $number) }}">@csrf @method('delete')<button class="btn small">Take it away</button></form>
                                </div></div></details>
                        @endif
                    </dd>
                @endforeach
                @if ($changes)<dt><span class="sr-only">Another number</span></dt><dd><details @error('number') open @enderror><summary class="link sm min-h-6 py-0.5">Add a number</summary>
                    <form class="mt-1 mb-2" method="post" action="{{ route('people.numbers', $page->person) }}">@csrf<label class="label" for="new-number">Number</label><input class="input w-full" id="new-number" type="tel" name="number" value="{{ old('number') }}" @error('number') aria-invalid="true" @enderror><x-error name="number" /><label class="label mt-2" for="new-label">What it is called</label><input class="input w-full" id="new-label" name="label" maxlength="40" value="{{ old('label') }}" placeholder="work"><p class="mt-2"><button class="btn small go">Add</button></p></form></details></dd>@endif
                <dt>Zone</dt>
                <dd>{{ implode(', ', array_map(\App\Clock\TimeFormatter::place(...), array_slice($page->receiver->zones, 0, 3))) }}{{ count($page->receiver->zones) > 3 ? ' and '.(count($page->receiver->zones) - 3).' more' : '' }}, {{ $page->person->zone ? 'set by hand' : 'from the number' }}</dd>
                <dt>Replies</dt>
                <dd><details @error('hears') open @enderror><summary @class(['link sm min-h-6 py-0.5' => Auth::user()->can('converse')])>told to {{ $page->person->hears_staff_id ? ($colleagues->firstWhere('id', $page->person->hears_staff_id)?->name ?? 'somebody who has left') : 'whom the rule names, or those on the line' }}</summary>
                    @can('converse')<form class="flex gap-2 mt-1 mb-2" method="post" action="{{ route('people.hears', $page->person) }}">@csrf @method('put')<select class="input" name="hears" aria-label="Who is told of what they write"><option value="">whom the rule names, or those on the line</option>@foreach ($colleagues as $one)<option value="{{ $one->id }}" @selected($page->person->hears_staff_id === $one->id)>{{ $one->name }}</option>@endforeach</select><button class="btn small go">Keep</button></form><x-error name="hears" />@endcan</details></dd>
                @if ($page->person->email)<dt>Email</dt><dd>{{ $page->person->email }}</dd>@endif
                @foreach ($page->person->fields as $key => $value)<dt>{{ ucfirst(str_replace('_', ' ', $key)) }}</dt><dd>{{ is_scalar($value) ? $value : '' }}</dd>@endforeach
            </dl>

            @if ($merge = $page->merge())<p class="note mt-3 sm">Another entry was put together with this one @time($merge->at, 'D j M H:i'){{ $merge->staff ? ', by '.$merge->staff->name : '' }}.@can('administer') <form class="inline" method="post" action="{{ route('merges.undo', $merge) }}">@csrf<button class="link">Split them again</button></form>@endcan</p>@endif
            @can('administer')<p class="mt-1"><a class="link sm" href="{{ route('people.merge', $page->person) }}">Is {{ $page->receiver->who }} here twice?</a></p>@endcan

            <h2 class="mt-5 mb-1">Tags and lists</h2>
            <p class="labels">
                @forelse ($page->labels() as $label)
                    @can('converse')@can('view')
                        <form method="post" action="{{ route('people.labels', $page->person) }}" class="inline">@csrf<input type="hidden" name="kind" value="{{ $label->kind }}"><input type="hidden" name="name" value="{{ $label->name }}"><button class="chip" name="added" value="0" title="Take it away">{{ $label->kind === 'list' ? 'on ' : '' }}{{ $label->name }} <x-icon name="x" /><span class="sr-only">take away</span></button></form>
                    @endcan @endcan
                    @cannot('view')<span class="chip">{{ $label->kind === 'list' ? 'on ' : '' }}{{ $label->name }}</span>@endcannot
                @empty
                    <span class="soft sm">None.</span>
                @endforelse
            </p>
            @can('converse')@can('view')
                <form class="flex gap-2 flex-wrap items-end mt-2" method="post" action="{{ route('people.labels', $page->person) }}" aria-label="Add a tag or list">@csrf<input type="hidden" name="added" value="1">
                    <select class="input" name="kind" aria-label="Tag or list"><option value="tag">Tag</option><option value="list" @selected(old('kind') === 'list')>List</option></select>
                    <input class="input w-36" name="name" list="labels-known" aria-label="Its name" maxlength="60" @error('name') aria-invalid="true" @enderror>
                    <datalist id="labels-known">@foreach ($page->knownLabels() as $known)<option value="{{ $known }}"></option>@endforeach</datalist>
                    <button class="btn">Add</button>
                    <x-error name="name" />
                </form>
            @endcan @endcan

            <h2 class="mt-5 mb-1">Records</h2>
            <x-records :page="$page" />

            <h2 class="mt-5 mb-1">To do</h2>
            <x-tasks :tasks="$page->tasks()" :person="$page->person" :staff="$colleagues" :back="route('people.show', $page->person, false)" />

            <h2 class="mt-5 mb-1">Rules under way</h2>
            @forelse ($page->underWay() as $run)
                <x-under-way :run="$run" linked />
            @empty
                <p class="soft sm">None.</p>
            @endforelse

            @can('view')<h2 class="mt-5 mb-1">Why did {{ $page->receiver->who }} get nothing?</h2>
                <x-why-not :person="$page->person" :rules="$page->rules()" />@endcan

            @can('converse')@can('view')<x-start-rule :person="$page->person" :record="null" :rules="$page->startable()" />@endcan @endcan

            <h2 class="mt-5 mb-1">Consent</h2>
            @forelse ($page->ledger() as $entry)
                <p class="mb-1 sm"><x-tone :tone="$entry->act === 'withdrawn' ? 'bad' : 'well'" :icon="$entry->act === 'withdrawn' ? 'ban' : 'check'">{{ $entry->scope === 'marketing' ? ($entry->act === 'withdrawn' ? 'No to offers' : 'Yes to offers') : ($entry->act === 'withdrawn' ? 'Said stop' : 'Agreed again') }}</x-tone> <span class="soft">@time($entry->at, 'j F Y, H:i')@if ($entry->how === 'text'), by text from {{ \Linnet\Core\Number\Numbers::pretty($entry->number) }}@endif: {{ $entry->how === 'text' ? '“'.Str::limit($entry->wording, 60).'”' : Str::limit($entry->wording, 120) }}</span></p>
            @empty
                <p class="soft sm">Nothing recorded. Texts about what they asked for need no record; offers do.</p>
            @endforelse
            @can('administer')
                <details class="mt-6"><summary class="link sm">Erase {{ $page->receiver->who }}…</summary>
                    <p class="sm mt-2">Removes who they are, their texts, consent and story for good. Records stay, without them. If they had said stop, the number alone is remembered in a form nobody can read.</p>
                    <form method="post" action="{{ route('people.erase', $page->person) }}" class="mt-2">@csrf @method('delete')<button class="btn small">Erase for good</button></form>
                </details>
            @endcan
        </aside>
    </div>
</x-page>
