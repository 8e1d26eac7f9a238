<x-bare title="Set up Linnet">
    <p class="soft mb-5">Nobody can log in here yet. Say whose texts these will be, and who looks after them first..</p>
    <form method="post" action="{{ route('install.store') }}">
        @csrf
        <x-field name="business" label="What the business is called (its texts carry the name)">
            <input class="input w-full" name="business" value="{{ old('business') }}" maxlength="80" required autofocus @error('business') aria-invalid="true" aria-describedby="business-error" @enderror>
        </x-field>
        <x-field name="country" label="Country">
            <select class="input w-full" name="country" @error('country') aria-invalid="true" aria-describedby="country-error" @enderror><option value=""></option>@foreach ($countries as $code => $name)<option value="{{ $code }}" @selected(old('country') === $code)>{{ $name }}</option>@endforeach</select>
        </x-field>
        <x-field name="zone" label="Time zone">
            <select class="input w-full" name="zone" @error('zone') aria-invalid="true" aria-describedby="zone-error" @enderror><option value=""></option>@foreach ($zones as $zone)<option value="{{ $zone }}" @selected(old('zone') === $zone)>{{ str_replace('_', ' ', $zone) }}</option>@endforeach</select>
        </x-field>
        <x-field name="currency" label="Currency of its prices">
            <select class="input" name="currency" @error('currency') aria-invalid="true" aria-describedby="currency-error" @enderror><option value=""></option>@foreach ($currencies as $code)<option value="{{ $code }}" @selected(old('currency') === $code)>{{ $code }}</option>@endforeach</select>
        </x-field>
        <x-field name="name" label="Your name">
            <input class="input w-full" name="name" value="{{ old('name') }}" maxlength="80" autocomplete="name" required @error('name') aria-invalid="true" aria-describedby="name-error" @enderror>
        </x-field>
        <x-field name="email" label="Your email, to log in with">
            <input class="input w-full" type="email" name="email" value="{{ old('email') }}" maxlength="120" autocomplete="username" required @error('email') aria-invalid="true" aria-describedby="email-error" @enderror>
        </x-field>
        <x-field name="password" label="A password of at least 10 characters">
            <input class="input w-full" type="password" name="password" autocomplete="new-password" required @error('password') aria-invalid="true" aria-describedby="password-error" @enderror>
        </x-field>
        <button class="btn go">Set up</button>
    </form>
</x-bare>
