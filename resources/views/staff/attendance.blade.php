@php($hours = $member->hours === null ? \Linnet\Core\Time\WeeklyHours::daily('09:00', '17:00') : $member->asMember()->hours)
<x-page :title="$isMe ? 'You' : $member->name">
    @unless ($isMe)<div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> / <a class="link" href="{{ route('staff.index') }}">Staff</a> /</div>@endunless
    <h1>{{ $isMe ? 'You' : $member->name }}</h1>
    <p class="soft mb-4">{{ $member->name }}, {{ $member->email }}. @if ($isMe)<a class="link" href="{{ route('password.edit') }}">Change your password</a>@endif</p>
    <form class="two" method="post" action="{{ $isMe ? route('account.update') : route('staff.attendance.update', $member) }}">@csrf @method('put')
        <section class="panel self-start">
            <h2 class="mb-1">When {{ $isMe ? 'you are' : 'they are' }} there</h2>
            <p class="soft sm mb-2">Who waits for {{ $isMe ? 'your' : 'their' }} answer at another hour is told to whoever stands in, if they are there; else to {{ $isMe ? 'you' : 'them' }} at the next hour. By the clock of {{ \App\Clock\TimeFormatter::place($zone) }}.</p>
            <label class="flex gap-2 items-center mb-2"><input type="checkbox" class="tick" name="hours" value="1" @checked(old('_token') ? old('hours') === '1' : $member->hours !== null)> Only at certain hours</label>
            <x-hours name="hours" :hours="$hours" :mine="old('hours') === '1'" />
        </section>
        <aside>
            <h2 class="mb-2">Away</h2>
            <label class="field"><span>Away until (empty: there)</span><input class="input w-full" type="datetime-local" name="away_until" value="{{ old('away_until', $member->away_until?->setTimezone($zone)->format('Y-m-d\TH:i')) }}" @error('away_until') aria-invalid="true" @enderror><x-error name="away_until" /></label>
            <label class="field"><span>Who stands in</span><select class="input w-full" name="stand_in"><option value="">nobody</option>@foreach ($others as $one)<option value="{{ $one->id }}" @selected((int) old('stand_in', $member->stand_in_id) === $one->id)>{{ $one->name }}</option>@endforeach</select><x-error name="stand_in" /></label>
            <h2 class="mt-4 mb-2">Told</h2>
            <p class="soft sm mb-2">Always on the screen, until it is put away.</p>
            <label class="flex gap-2 items-center mb-2"><input type="checkbox" class="tick" name="mailed" value="1" @checked(old('_token') ? old('mailed') === '1' : $member->mailed)> By mail too</label>
            <label class="flex gap-2 items-center mb-2"><input type="checkbox" class="tick" name="texted" value="1" @checked(old('_token') ? old('texted') === '1' : $member->texted)> By text too{{ $member->number_confirmed_at === null ? ', once the number is confirmed' : '' }}</label>
            <button class="btn go mt-2">Keep</button>
        </aside>
    </form>
    @if ($isMe)
        <h2 class="mt-6 mb-1">Your number</h2>
        <p class="soft sm mb-2">{{ $member->number === null ? 'None yet.' : \Linnet\Core\Number\Numbers::pretty($member->number).($member->number_confirmed_at === null ? ', not confirmed.' : ', confirmed.') }} Texts to you go there: what somebody waits for, trials of rules, and what rules tell staff.</p>
        <div class="flex gap-4 flex-wrap items-end">
            <form class="flex gap-2 items-end" method="post" action="{{ route('account.number') }}">@csrf<label><span class="label">{{ $member->number === null ? 'Your mobile number' : 'Another number' }}</span><input class="input w-48" type="tel" name="number" value="{{ old('number') }}" maxlength="40" @error('number') aria-invalid="true" @enderror></label><button class="btn">Send a code there</button></form>
            @if ($asked !== null)<form class="flex gap-2 items-end" method="post" action="{{ route('account.number') }}">@csrf<label><span class="label">The code sent to {{ \Linnet\Core\Number\Numbers::pretty($asked) }}</span><input class="input w-28" name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="20" @error('code') aria-invalid="true" @enderror></label><button class="btn go">It is mine</button></form>@endif
        </div>
        <x-error name="number" /><x-error name="code" />
        <h2 class="mt-6 mb-1">Your tasks as a calendar</h2>
        @if (session('feed'))
            <section class="panel mb-3 secret"><p class="soft sm mb-1">It is shown this once. Subscribe to it where you keep your to-dos; whoever has it reads your tasks.</p><p><code class="break-all" id="feed">{{ session('feed') }}</code></p></section>
        @endif
        <p class="soft sm mb-2">{{ $member->tasks_hash === null ? 'An address (iCalendar) with your tasks and those that are nobody’s, for the program you keep your to-dos in.' : 'There is one. A new one ends it.' }}</p>
        <div class="flex gap-2"><form method="post" action="{{ route('account.tasks') }}">@csrf<button class="btn small">{{ $member->tasks_hash === null ? 'Make an address' : 'Make a new one' }}</button></form>
            @if ($member->tasks_hash !== null)<form method="post" action="{{ route('account.tasks.end') }}">@csrf @method('delete')<button class="btn small">End it</button></form>@endif</div>
    @endif
</x-page>
