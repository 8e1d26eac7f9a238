<x-bare title="Log in">
    <p class="soft mb-5">Texts that send themselves, and can say why.</p>
    <form method="post" action="{{ route('log-in') }}">
        @csrf
        <x-field name="email" label="Email">
            <input class="input w-full" type="email" name="email" value="{{ old('email') }}" autocomplete="username" required autofocus
                @error('email') aria-invalid="true" aria-describedby="email-error" @enderror>
        </x-field>
        <x-field name="password" label="Password">
            <input class="input w-full" type="password" name="password" autocomplete="current-password" required>
        </x-field>
        <label class="flex gap-2 items-center mb-4"><input type="checkbox" name="remember" value="1"> Keep me logged in on this machine</label>
        <button class="btn go">Log in</button>
    </form>
    @includeIf('demo::log-in')
</x-bare>
