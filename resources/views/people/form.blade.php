<x-page :title="$person->exists ? $person->name() : 'Somebody new'">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> /</div>
    <h1 class="mb-4">{{ $person->exists ? $person->name() : 'Somebody new' }}</h1>
    <form class="max-w-xl" method="post" action="{{ $person->exists ? route('people.update', $person) : route('people.store') }}" novalidate>
        @csrf @if ($person->exists) @method('put') @endif
        <div class="flex gap-4 flex-wrap">
            <x-field name="first_name" label="First name"><input class="input w-60" name="first_name" value="{{ old('first_name', $person->first_name) }}"></x-field>
            <x-field name="last_name" label="Last name"><input class="input w-60" name="last_name" value="{{ old('last_name', $person->last_name) }}"></x-field>
        </div>
        <div class="flex gap-4 flex-wrap">
            <x-field name="number" :label="$person->exists ? 'Number texts go to' : 'Number'"><input class="input w-60" type="tel" name="number" value="{{ old('number', $person->number?->e164) }}"></x-field>
            <x-field name="email" label="Email"><input class="input w-60" type="email" name="email" value="{{ old('email', $person->email) }}"></x-field>
        </div>
        <x-field name="zone" label="Time zone (empty: taken from the number)"><input class="input w-60" name="zone" value="{{ old('zone', $person->zone) }}" list="zones" placeholder="Europe/London"></x-field>
        <datalist id="zones">@foreach (DateTimeZone::listIdentifiers() as $zone)<option value="{{ $zone }}"></option>@endforeach</datalist>
        @foreach ($type->fields as $field)<x-control :field="$field" :page="$page" :business="$business" />@endforeach
        <div class="flex gap-3 mt-4"><button class="btn go">Keep</button><a class="btn" href="{{ $person->exists ? route('people.show', $person) : route('people.index') }}">Leave as it was</a></div>
    </form>
</x-page>
