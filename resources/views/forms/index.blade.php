<x-page title="Forms">
    <div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> /</div>
    <h1>Forms</h1>
    <p class="soft mb-4">Pages that anybody may fill in. Sending one in can start rules, and what is agreed to stands in the consent ledger with the words that were shown.</p>
    @if ($forms->isEmpty())
        <x-empty>Your forms will stand here, each with the address to link to from your website.</x-empty>
    @else
        <div class="table-wrap"><table class="table"><thead><tr><th scope="col">Form</th><th scope="col">Address</th><th scope="col">What is agreed to</th><th scope="col">State</th></tr></thead><tbody>
            @foreach ($forms as $form)<tr><td class="whitespace-nowrap"><a class="link" href="{{ route('forms.edit', $form) }}">{{ $form->name }}</a></td><td class="break-all"><a class="link" href="{{ route('forms.public', $form) }}">{{ route('forms.public', $form) }}</a></td><td>{{ $form->wording === null ? '–' : Str::limit($form->wording, 80) }}{{ $form->confirmed_by_text ? ' (confirmed by text)' : '' }}</td><td class="whitespace-nowrap">@if ($form->power->value === 'on')@tone('well', 'open')@else @tone('held', 'closed', 'pause')@endif</td></tr>@endforeach
        </tbody></table></div>
        <x-pages :list="$forms" />
    @endif
    <form class="panel mt-4" method="post" action="{{ route('forms.store') }}" aria-label="A new form">@csrf
        <h2 class="mb-2">A new form</h2>
        @include('forms.fields', ['form' => null])
        <button class="btn">Make the form</button>
    </form>
</x-page>
