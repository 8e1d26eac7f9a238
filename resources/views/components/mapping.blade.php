@props(['page'])
{{ $slot }}
@if ($page->sample === null)
    <x-empty>Nothing has come yet that could be looked at. As soon as something has, its values stand here, and you click each onto the field it belongs to.</x-empty>
@else
    @if ($page->notTaken)
        <p class="mb-2" role="status"><x-tone tone="held" icon="circle-alert">As it is, this one would not be taken: {{ $page->notTaken }}</x-tone></p>
    @else
        <p class="mb-2" role="status"><x-tone tone="well">As it is, this one would be taken.</x-tone></p>
    @endif
    @foreach (array_diff_key($page->wrong, array_flip(array_merge(...array_map(fn ($slots) => array_map(fn ($one) => $one->target, $slots), array_values($page->groups))))) as $message)
        <p class="error mb-2" role="alert"><x-icon name="circle-alert" />{{ $message }}</p>
    @endforeach
    <form id="map" class="mapping" method="post" action="{{ $page->action }}" hx-patch="{{ $page->action }}" hx-target="#mapping" hx-swap="morph:outerHTML" x-data="mapper">
        @csrf @method('patch')
        <section aria-labelledby="came">
            <h2 id="came" class="mb-1">1. What came</h2>
            <p class="soft sm mb-2">Click a value…</p>
            <div class="leaves">
                @foreach ($page->leaves as $i => $leaf)
                    <label class="leaf" data-depth="{{ min(6, $leaf->depth) }}">
                        <input type="radio" name="at" value="{{ $leaf->path }}" x-on:change="choose">
                        <span class="leaf-name">{{ $leaf->name }}</span>
                        <span class="leaf-value">{{ $leaf->shows }}</span>
                        @if ($to = $page->goesTo($leaf))<span class="leaf-goes">→ {{ $to }}</span>@endif
                    </label>
                @endforeach
            </div>
        </section>
        <section aria-labelledby="fields">
            <h2 id="fields" class="mb-1">2. Where it belongs</h2>
            <p class="soft sm mb-2">…then the field it belongs to. Beside it stands what becomes of the value.</p>
            @foreach ($page->groups as $heading => $slots)
                <h3 class="slot-heading">{{ $heading }}</h3>
                @foreach ($slots as $one)
                    <div @class(['slot', 'filled' => $one->taken]) id="slot-{{ str_replace('.', '-', $one->target) }}">
                        <button class="slot-name" name="into" value="{{ $one->target }}" title="Put the chosen value here">{{ $one->field->name }} <span class="soft sm">{{ $one->field->kind->says() }}</span></button>
                        @if ($one->taken)
                            <div class="slot-way">
                                <span class="merge">{{ $one->taken->at ?? 'always' }}</span>
                                @if ($one->taken->at === null)<span>“{{ is_bool($one->taken->always) ? ($one->taken->always ? 'yes' : 'no') : $one->taken->always }}”</span>@endif
                                @if ($one->taken->fold->value !== 'first' || $one->taken->at?->isMany())<span class="soft sm">{{ ['first' => 'the first', 'last' => 'the last', 'count' => 'how many', 'sum' => 'added up', 'joined' => 'joined'][$one->taken->fold->value] }}</span>@endif
                                @foreach ($one->steps as $step)<span class="sm soft slot-step">{{ $step['says'] }} → <b>{{ $step['result'] === '' ? '–' : $step['result'] }}</b></span>@endforeach
                                @if ($one->wrong)<span class="error"><x-icon name="circle-alert" />{{ $one->wrong }}</span>
                                @elseif ($one->followed)<span class="slot-result"><x-icon name="check" />{{ $one->shows === '' ? 'nothing' : $one->shows }}</span>@endif
                            </div>
                            <details class="slot-more" @if ($page->changed === $one->target) open @endif><summary class="link sm">change</summary>
                                <x-slot-edit :one="$one" :page="$page" />
                            </details>
                        @else
                            <div class="slot-way">@if ($one->wrong)<span class="error" role="alert"><x-icon name="circle-alert" />{{ $one->wrong }}</span>@endif</div>
                            <details class="slot-more" @if ($page->changed === $one->target) open @endif><summary class="link sm">always…</summary>
                                <div class="change-box"><label class="label" for="always-{{ $one->target }}">Always put in</label>
                                    <div class="flex gap-2"><input class="input w-40" id="always-{{ $one->target }}" name="value" form="always-{{ str_replace('.', '-', $one->target) }}"><button class="btn small" form="always-{{ str_replace('.', '-', $one->target) }}">Put in</button></div></div>
                            </details>
                        @endif
                    </div>
                @endforeach
            @endforeach
        </section>
    </form>
    @foreach ($page->groups as $slots)
        @foreach ($slots as $one)
            @foreach ($one->taken ? ['clean', 'fold', 'drop'] : ['always'] as $part)
                <x-mapping-form :id="$part.'-'.str_replace('.', '-', $one->target)" :page="$page" :target="$one->target" :part="$part" />
            @endforeach
            @foreach ($one->steps as $i => $step)
                <x-mapping-form :id="'unclean-'.$i.'-'.str_replace('.', '-', $one->target)" :page="$page" :target="$one->target" part="unclean" :index="$i" />
            @endforeach
        @endforeach
    @endforeach
    <section class="mt-6 max-w-3xl" aria-labelledby="only">
        <h2 id="only" class="mb-1">3. Only if…</h2>
        <p class="soft sm mb-2">What does not pass every one of these is kept, and left out.</p>
        @foreach ($page->tests() as $i => $test)
            <div class="flex gap-3 items-center mb-1"><span>{{ $test }}</span><x-mapping-form :page="$page" part="untest" :index="$i"><button class="link sm">take out</button></x-mapping-form></div>
        @endforeach
        <x-mapping-form :page="$page" part="test" class="flex gap-2 flex-wrap items-end">
            <label><span class="label">What came at</span><select class="input max-w-56" name="at">@foreach ($page->leaves as $leaf)<option>{{ $leaf->path }}</option>@endforeach</select></label>
            <label><span class="label">Test</span><select class="input" name="test">@foreach (\Linnet\Core\Intake\OnlyIfTest::cases() as $test)<option value="{{ $test->value }}">{{ $test->says() }}</option>@endforeach</select></label>
            <label><span class="label">Value (commas between several)</span><input class="input w-40" name="value"></label>
            <button class="btn small">Add</button>
        </x-mapping-form>
    </section>
    <section class="mt-6 max-w-3xl flex gap-6 flex-wrap" aria-label="How it is read">
        <x-mapping-form :page="$page" part="country" class="flex gap-2 items-end"><label><span class="label">Numbers without a country code are of</span><input class="input w-20" name="value" value="{{ $page->mapping->place->country }}" maxlength="2"></label><button class="btn small">Change</button></x-mapping-form>
        <x-mapping-form :page="$page" part="zone" class="flex gap-2 items-end"><label><span class="label">Times without a zone are of</span><input class="input w-44" name="value" value="{{ $page->mapping->place->zone }}" list="zones"></label><button class="btn small">Change</button></x-mapping-form>
        <x-mapping-form :page="$page" part="known_people" class="flex gap-2 items-end"><label><span class="label">Of people who are known already</span><select class="input" name="value">@foreach (\Linnet\Core\Intake\KnownPeople::cases() as $known)<option value="{{ $known->value }}" @selected($known === $page->mapping->knownPeople)>{{ $known->says() }}</option>@endforeach</select></label><button class="btn small">Change</button></x-mapping-form>
    </section>
@endif
