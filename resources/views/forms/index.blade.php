<x-page title="Forms">
    <div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> /</div>
    <h1>Forms</h1>
    <p class="soft mb-4">Pages that anybody may fill in. Sending one in can start rules, and what is agreed to stands in the consent ledger with the words that were shown.</p>
    @forelse ($forms as $form)
        <form class="panel mb-4" method="post" action="{{ route('forms.update', $form) }}" aria-label="{{ $form->name }}">@csrf @method('put')
            <div class="head"><h2>{{ $form->name }}</h2>@if ($form->power->value === 'on')<x-tone tone="well">open</x-tone>@else<x-tone tone="held" icon="pause">closed</x-tone>@endif</div>
            <p class="sm mb-3"><a class="link" href="{{ route('forms.public', $form) }}">{{ route('forms.public', $form) }}</a> <span class="soft">in rules: <code>{{ $form->key }}</code></span></p>
            @include('forms.fields', ['form' => $form])
            <label class="flex gap-2 items-center mb-3"><input type="checkbox" class="tick" name="on" value="1" @checked($form->power->value === 'on')> Open to be filled in</label>
            <button class="btn">Keep</button>
        </form>
    @empty
        <x-empty>Your forms will stand here, each with the address to link to from your website.</x-empty>
    @endforelse
    <x-pages :list="$forms" />
    <form class="panel mt-4" method="post" action="{{ route('forms.store') }}" aria-label="A new form">@csrf
        <h2 class="mb-2">A new form</h2>
        @include('forms.fields', ['form' => null])
        <button class="btn">Make the form</button>
    </form>
</x-page>
