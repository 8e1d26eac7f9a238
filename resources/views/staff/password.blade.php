<x-page title="Your password">
    <h1 class="mb-3">Your password</h1>
    <form method="post" action="{{ route('password.update') }}" class="max-w-sm">@csrf @method('put')
        <x-field name="now" label="As it is now"><input class="input w-full" type="password" name="now" autocomplete="current-password" required @error('now') aria-invalid="true" aria-describedby="now-error" @enderror></x-field>
        <x-field name="password" label="A new one of at least 10 characters"><input class="input w-full" type="password" name="password" autocomplete="new-password" required @error('password') aria-invalid="true" aria-describedby="password-error" @enderror></x-field>
        <button class="btn go">Change it</button>
    </form>
</x-page>
