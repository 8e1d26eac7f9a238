<x-bare title="{{ $staff === null ? 'This link leads nowhere' : 'Choose a password' }}">
    @if ($staff === null)
        <p class="soft mb-5">It was used, is too old, or was replaced by a newer one. Ask whoever invited you for another, or log in with the password you have.</p>
        <p><a class="link" href="{{ route('log-in') }}">Log in</a></p>
    @else
        <p class="soft mb-5">You log in as {{ $staff->email }}, {{ $staff->name }}.</p>
        <form method="post" action="{{ route('invitations.store', $token) }}">
            @csrf
            <input type="hidden" name="email" value="{{ $staff->email }}" autocomplete="username">
            <x-field name="password" label="A password of at least 10 characters">
                <input class="input w-full" type="password" name="password" autocomplete="new-password" required autofocus @error('password') aria-invalid="true" aria-describedby="password-error" @enderror>
            </x-field>
            <button class="btn go">Keep it, and log in</button>
        </form>
    @endif
</x-bare>
