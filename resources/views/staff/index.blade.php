<x-page title="Staff">
    <div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> /</div>
    <h1>Staff</h1>
    <p class="soft mb-4">Who works with Linnet, and what they may. An operator sees everything and looks after records; an agent sees conversations and people alone; a viewer only looks. A name leads to when they are there, and who stands in.</p>
    @if (session('invitation'))
        <section class="panel mb-4 secret"><h2 class="mb-1">{{ $mailIsThere ? 'A mail is on its way to '.session('invitation')['email'] : 'Send '.session('invitation')['to'].' this link' }}</h2>
            <p class="soft sm mb-2">It is shown this once, leads to a password once, and works for seven days. Whoever has it can log in as {{ session('invitation')['to'] }}.</p><p><code id="invitation" class="break-all">{{ session('invitation')['link'] }}</code></p></section>
    @endif
    <form method="get" action="{{ route('staff.index') }}" class="mb-3"><input class="input w-60" type="search" name="find" value="{{ $find }}" placeholder="Name or email" aria-label="Find by name or email"></form>
    <div class="table-wrap"><table class="table">
        <thead><tr><th scope="col">Name</th><th scope="col">May</th><th scope="col">State</th><th scope="col"><span class="sr-only">What can be done</span></th></tr></thead>
        <tbody>
        @forelse ($members as $member)
            <tr>
                <td><a class="link" href="{{ route('staff.attendance', $member) }}">{{ $member->name }}</a>@if ($member->is($me)) <span class="soft sm">(you)</span>@endif<br><span class="soft sm">{{ $member->email }}</span></td>
                <td><form class="flex gap-2" method="post" action="{{ route('staff.update', $member) }}">@csrf @method('put')
                    <select class="input" name="role" aria-label="What {{ $member->name }} may" @disabled($member->off_at !== null)>@foreach ($roles as $role)<option value="{{ $role->value }}" @selected($member->role === $role)>{{ ucfirst($role->value) }}</option>@endforeach</select>
                    <button class="btn small" name="do" value="role" @disabled($member->off_at !== null)>Keep</button></form>
                    <x-error :name="'member-'.$member->id" /></td>
                <td>@if ($member->off_at)<x-tone tone="held" icon="pause">off</x-tone><br><span class="soft sm">since @time($member->off_at, 'j M Y')</span>@elseif ($member->invited_hash)<x-tone tone="plain" icon="clock">invited</x-tone><br><span class="soft sm">until @time($member->invited_until, 'j M Y')</span>@else<x-tone tone="well">logs in</x-tone>@endif</td>
                <td><form class="flex gap-3 items-baseline flex-wrap" method="post" action="{{ route('staff.update', $member) }}">@csrf @method('put')
                    @if ($member->off_at)
                        <button class="link sm" name="do" value="on">Switch on</button>
                    @else
                        <button class="link sm" name="do" value="invite" title="A link that leads to a new password">{{ $member->invited_hash ? 'Invite again' : 'New password' }}</button>
                        <details><summary class="link sm">Switch off…</summary>
                            <div class="flex gap-2 items-end flex-wrap mt-1"><label><span class="label">Their open conversations, tasks, notices and lines go to</span><select class="input" name="heir"><option value="">everybody</option>@foreach ($heirs as $heir)@if ($heir->id !== $member->id)<option value="{{ $heir->id }}">{{ $heir->name }}</option>@endif @endforeach</select></label><button class="btn small" name="do" value="off">Switch off</button></div>
                        </details>
                    @endif
                </form></td>
            </tr>
        @empty
            <tr><td colspan="4" class="soft">Nobody of that name or address.</td></tr>
        @endforelse
        </tbody>
    </table></div>
    <x-pages :list="$members" />
    <h2 class="mt-6 mb-1">Invite somebody</h2>
    <form class="flex gap-2 flex-wrap items-end" method="post" action="{{ route('staff.store') }}" aria-label="Invite somebody">@csrf
        <label><span class="label">Name</span><input class="input w-44" name="name" value="{{ old('name') }}" maxlength="80" @error('name') aria-invalid="true" @enderror></label>
        <label><span class="label">Email</span><input class="input w-60" type="email" name="email" value="{{ old('email') }}" maxlength="120" @error('email') aria-invalid="true" @enderror></label>
        <label><span class="label">May</span><select class="input" name="role">@foreach ($roles as $role)<option value="{{ $role->value }}" @selected(old('role', 'agent') === $role->value)>{{ ucfirst($role->value) }}</option>@endforeach</select></label>
        <button class="btn">Invite</button>
        <x-error name="name" /><x-error name="email" /><x-error name="role" />
    </form>
</x-page>
