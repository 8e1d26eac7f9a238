<x-page :title="$line->name">
    <div class="crumb"><a class="link" href="{{ route('lines.index') }}">Lines</a> /</div>
    <div class="head"><h1>{{ $line->name }}</h1>
        <div class="acts">
            @if ($line->power->value === 'on')<x-tone tone="well"><b>On</b></x-tone>@else<x-tone tone="held" icon="pause"><b>Off</b></x-tone>@endif
            @can('administer')<form method="post" action="{{ route('lines.power', $line) }}">@csrf @method('put')<button class="btn" name="power" value="{{ $line->power->value === 'on' ? 'paused' : 'on' }}">{{ $line->power->value === 'on' ? 'Switch off' : 'Switch on' }}</button></form>@endcan
        </div></div>
    <p class="soft mb-4">{{ $line->number === null ? 'A name: it cannot be answered, and no question can be asked from it.' : \Linnet\Core\Number\Numbers::pretty($line->number).'.' }} Left today: {{ number_format($page->sentToday($line)) }}{{ $page->dayLimit($line) === null ? '' : ' of '.number_format($page->dayLimit($line)) }}. <a class="link" href="{{ route('sent.index', ['line' => $line->id, 'state' => 'waiting']) }}">Waiting: {{ number_format($page->waiting($line)) }}</a>. Failures: {{ $page->failures($line) }}.</p>
    @if ($line->problem)<div class="note mb-4"><x-reason :reason="$line->problem" /> Switched on again, failures from before count no more.</div>@endif
    @include('lines.drawing')
    @php($warm = $line->pace['warm_up'] ?? [])
    @php($locked = ! Auth::user()->can('administer'))
    <form class="two" method="post" action="{{ route('lines.update', $line) }}">@csrf @method('put')
        <section class="panel self-start">
            <h2 class="mb-2">How fast it may send</h2>
            <div class="grid gap-3 sm:grid-cols-3">
                @foreach (['per_second' => 'In a second', 'per_minute' => 'In a minute', 'per_day' => 'In 24 hours'] as $name => $label)
                    <label class="field"><span>{{ $label }}</span><input class="input w-full" type="number" min="1" name="{{ $name }}" value="{{ old($name, $line->pace[$name] ?? '') }}" placeholder="no limit" @disabled($locked) @error($name) aria-invalid="true" @enderror><x-error :name="$name" /></label>
                @endforeach
            </div>
            <label class="flex gap-2 items-center mb-4"><input type="checkbox" class="tick" name="even" value="1" @checked(old('_token') ? old('even') === '1' : ($line->pace['even'] ?? false)) @disabled($locked)> Spread a day’s texts evenly over its decent hours</label>
            <h3 class="mb-1">A new line grows warm</h3>
            <p class="soft sm mb-2">Carriers trust a line that starts low and grows. Empty: no warm-up.@if ($warm) It began on {{ \Illuminate\Support\Carbon::parse($warm['since'])->format('j F Y') }}.@endif</p>
            <div class="grid gap-3 sm:grid-cols-3">
                @foreach (['warm_start' => ['Texts a day at first', $warm['start'] ?? ''], 'warm_growth' => ['Grows by, in %', $warm['growth'] ?? ''], 'warm_every' => ['Every so many days', $warm['every_days'] ?? '']] as $name => [$label, $value])
                    <label class="field"><span>{{ $label }}</span><input class="input w-full" type="number" min="1" name="{{ $name }}" value="{{ old($name, $value) }}" @disabled($locked) @error($name) aria-invalid="true" @enderror><x-error :name="$name" /></label>
                @endforeach
            </div>
            <h3 class="mt-2 mb-1">When it sends</h3>
            <label class="flex gap-2 items-center mb-2"><input type="checkbox" class="tick" name="hours" value="1" @checked($line->hours !== null || old('hours') === '1') @disabled($locked)> It sends only at certain hours, by our clock</label>
            <x-hours name="hours" :hours="$line->read()->hours ?? \Linnet\Core\Time\WeeklyHours::daily('09:00', '18:00')" :mine="old('hours') === '1'" :locked="$locked" />
        </section>
        <aside>
            <h2 class="mb-2">The line</h2>
            <label class="field"><span>What it is for</span><input class="input w-full" name="purpose" value="{{ old('purpose', $line->purpose) }}" maxlength="120" @disabled($locked)></label>
            <label class="field"><span>Its carrier, which brings its texts to telephones</span>@if (count($carriers) > 1)<select class="input w-full" name="carrier" @disabled($locked)>@foreach ($carriers as $name)<option @selected(old('carrier', $line->carrier) === $name)>{{ $name }}</option>@endforeach</select>@else<span class="block">{{ $line->carrier }}</span>@endif</label>
            <label class="field"><span>Its pool: lines of one name stand in for one another</span><input class="input w-full" name="pool" value="{{ old('pool', $line->pool) }}" maxlength="60" list="pools" placeholder="none" @disabled($locked)></label><datalist id="pools">@foreach ($pools as $pool)<option value="{{ $pool }}"></option>@endforeach</datalist>
            <label class="field"><span>Whose own line it is</span><select class="input w-full" name="staff_id" @disabled($locked)><option value="">nobody’s: it is shared</option>@foreach ($staff as $one)<option value="{{ $one->id }}" @selected((int) old('staff_id', $line->staff_id) === $one->id)>{{ $one->name }}</option>@endforeach</select></label>
            <label class="field"><span>Countries it sends to, such as GB, IE; empty for all</span><input class="input w-full" name="countries" value="{{ old('countries', implode(', ', $line->countries ?? [])) }}" @disabled($locked) @error('countries') aria-invalid="true" @enderror><x-error name="countries" /></label>
            @if ($line->number !== null)
                <fieldset class="mt-3"><legend class="label">Who hears of it when somebody waits for an answer here</legend>
                    @foreach ($staff as $one)@if ($one->role->converses())<label class="flex gap-2 items-center mb-1"><input type="checkbox" class="tick" name="people[]" value="{{ $one->id }}" @checked(in_array($one->id, old('_token') ? array_map(intval(...), old('people', [])) : $people, true)) @disabled($locked)> {{ $one->name }}</label>@endif @endforeach
                    <label class="field mt-2"><span>And a mailbox, of what is nobody’s</span><input class="input w-full" type="email" name="tells" value="{{ old('tells', $line->tells) }}" maxlength="190" placeholder="desk@example.org" @disabled($locked) @error('tells') aria-invalid="true" @enderror></label><x-error name="tells" />
                    <p class="soft sm">A conversation that is somebody’s is theirs alone to hear of. Each is told within their hours; else whoever stands in for them is. <x-error name="people" /></p></fieldset>
            @endif
            @unless ($locked)<button class="btn go mt-2">Keep</button>@endunless
        </aside>
    </form>
</x-page>
