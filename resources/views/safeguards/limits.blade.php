@php($locked = ! Auth::user()->can('administer'))
<form class="panel mb-4" method="post" action="{{ route('safeguards.limits') }}" aria-label="Limits">@csrf @method('put')
    <h2>How much is enough</h2>
    <p class="soft sm mb-3">For automatic texts to one person, by all rules together. What is over the limit is held until it is not.</p>
    <div hx-get="{{ route('safeguards.drawn') }}" hx-trigger="load" hx-swap="outerHTML"><p class="soft sm mb-3">Counting…</p></div>
    <div class="grid gap-3 sm:grid-cols-3">
        @foreach (['per_day' => ['At most in 24 hours', $policy->cap->perDay], 'per_week' => ['At most in 7 days', $policy->cap->perWeek], 'gap_minutes' => ['Minutes between two', $policy->cap->gapMinutes ?: null]] as $name => [$label, $value])
            <label class="field"><span>{{ $label }}</span><input class="input w-full" type="number" min="0" name="{{ $name }}" value="{{ old($name, $value) }}" placeholder="no limit" @disabled($locked) @error($name) aria-invalid="true" @enderror><x-error :name="$name" /></label>
        @endforeach
    </div>
    <label class="flex gap-2 items-center mb-4"><input type="checkbox" class="tick" name="excuse_service" value="1" @checked(old('_token') ? old('excuse_service') === '1' : $policy->cap->excuseService) @disabled($locked)> Service texts are never held by this (they still count)</label>
    <div class="grid gap-3 sm:grid-cols-3 items-end">
        <label class="field"><span>Budget for a month, in {{ $currency }}</span><input class="input w-full" name="month" inputmode="decimal" value="{{ old('month', $policy->monthMicros === null ? '' : $policy->monthMicros / 1_000_000) }}" placeholder="no limit" @disabled($locked) @error('month') aria-invalid="true" @enderror><x-error name="month" /></label>
        <label class="field"><span>Minutes the same words to the same number count as twice</span><input class="input w-full" type="number" min="0" name="same_minutes" value="{{ old('same_minutes', intdiv($policy->sameTextSeconds, 60)) }}" @disabled($locked)><x-error name="same_minutes" /></label>
        <label class="field"><span>Minutes late that are too late after a rule was off</span><input class="input w-full" type="number" min="0" name="stale_minutes" value="{{ old('stale_minutes', $policy->staleMinutes) }}" @disabled($locked)><x-error name="stale_minutes" /></label>
    </div>
    <h3 class="mt-2 mb-1">When a line is unwell</h3>
    <p class="soft sm mb-2">Carriers shut down a line from which too many texts fail. Linnet stops before they do.</p>
    <div class="grid gap-3 sm:grid-cols-4">
        @foreach (['look_at' => ['Of the last texts', $policy->health->lookAt], 'at_least' => ['once there are', $policy->health->atLeast], 'warn_percent' => ['warn at, in %', $policy->health->warn], 'pause_percent' => ['stop at, in %', $policy->health->pause]] as $name => [$label, $value])
            <label class="field"><span>{{ $label }}</span><input class="input w-full" type="number" min="0" step="any" name="{{ $name }}" value="{{ old($name, $value) }}" @disabled($locked) @error($name) aria-invalid="true" @enderror><x-error :name="$name" /></label>
        @endforeach
    </div>
    @unless ($locked)<div class="flex flex-wrap gap-2 mt-1"><button class="btn">Keep these limits</button><button class="btn scripted" type="button" hx-put="{{ route('safeguards.effect', 'limits') }}" hx-include="closest form" hx-target="next .effect">See what it comes to</button></div><div class="effect" aria-live="polite"></div>@endunless
</form>
<form class="panel mb-4" method="post" action="{{ route('safeguards.holidays') }}" enctype="multipart/form-data" aria-label="Holidays">@csrf @method('put')
    <h2>Holidays</h2>
    <p class="soft sm mb-3">Working days in rules leave out Saturdays, Sundays and these.</p>
    <div x-data="pickedDays" x-on:input="draw" x-on:click="clicked">
        <div class="flex gap-2 items-end flex-wrap">
            <label><span class="label">A holiday</span><input class="input" type="date" x-ref="day" @disabled($locked)></label>
            <button class="btn small" type="button" @disabled($locked)>Add it</button>
            <span class="flex gap-2 flex-wrap" x-ref="days"></span>
        </div>
        <details class="my-2" @error('holidays') open @enderror><summary class="link sm">Type them instead</summary>
            <label class="field mt-2"><span>Days, each as 2026-12-25</span><textarea class="input w-full" rows="2" name="holidays" @disabled($locked) @error('holidays') aria-invalid="true" @enderror>{{ old('holidays', implode(', ', $holidays)) }}</textarea><x-error name="holidays" /></label>
        </details>
    </div>
    @unless ($locked)
        <label class="field"><span>Or add those of a calendar file (.ics)</span><input class="input w-full" type="file" name="file" accept=".ics,text/calendar"><x-error name="file" /></label>
        <label class="flex gap-2 items-center mb-3"><input type="checkbox" class="tick" name="leap_to_march" value="1" @checked($leapToMarch)> In years without a 29 February, use 1 March (otherwise 28 February)</label>
        <button class="btn">Keep these days</button>
    @endunless
</form>
