@php($address = route('forms.public', $form))
@php($ticked = array_column($form->asks ?? [], 'required', 'path'))
<x-page :title="$form->name">
    <div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> / <a class="link" href="{{ route('forms.index') }}">Forms</a> /</div>
    <div class="head"><h1>{{ $form->name }}</h1>@if ($form->power->value === 'on')<x-tone tone="well">open</x-tone>@else<x-tone tone="held" icon="pause">closed</x-tone>@endif</div>
    <p class="lead mb-3">In the last 30 days it was sent in {{ number_format($sent) }} times{{ $form->wording ? ', '.number_format($agreed).' agreed'.($form->confirmed_by_text ? ', '.number_format($confirmed).' confirmed it by text' : '') : '' }}.</p>
    <div class="two">
        <form method="post" action="{{ route('forms.update', $form) }}" aria-label="The form">@csrf @method('put')
            @include('forms.fields', ['form' => $form])
            <h2 class="mt-4 mb-1">What it asks for besides name and number</h2>
            <label class="field"><span>It adds a record</span><select class="input w-60" name="adds"><option value="">none</option>@foreach ($types as $type)<option value="{{ $type->key }}" @selected(old('adds', $form->adds) === $type->key)>{{ $type->name }}</option>@endforeach</select></label>
            <p class="soft sm mb-2">Keep the form once to choose among the fields of another type. Anybody can type another’s number: what is filled in about somebody who is known already stands below, and is taken once their number confirms the form by text, or you take it.</p>
            <div class="table-wrap"><table class="table dense"><thead><tr><th scope="col">Field</th><th scope="col">Asked for</th><th scope="col">Needed</th></tr></thead><tbody>
                @foreach ($offered as $path => $one)<tr><td>{{ $one->isOfPerson() ? '' : $types->firstWhere('key', $form->adds)?->name.': ' }}{{ $one->label }}</td><td><input type="checkbox" class="tick" name="asks[]" value="{{ $path }}" aria-label="Ask for {{ $one->label }}" @checked(array_key_exists($path, $ticked))></td><td><input type="checkbox" class="tick" name="required[]" value="{{ $path }}" aria-label="{{ $one->label }} is needed" @checked($ticked[$path] ?? false)></td></tr>@endforeach
            </tbody></table></div>
            <h2 class="mt-4 mb-1">How it looks, and where it may stand</h2>
            <label class="field"><span>Colour of its page; empty for ours</span><input class="input w-36" name="colour" value="{{ old('colour', $form->colour) }}" placeholder="#4C6B45" maxlength="7" @error('colour') aria-invalid="true" @enderror></label><x-error name="colour" />
            <label class="field"><span>Pages of others that may show it and send it in, one a line</span><textarea class="input w-full" rows="2" name="origins" placeholder="https://www.example.org" @error('origins') aria-invalid="true" @enderror>{{ old('origins', implode("\n", $form->origins ?? [])) }}</textarea></label><x-error name="origins" />
            <label class="field"><span>Where they come to once it is sent; empty for our thanks</span><input class="input w-full" name="back" value="{{ old('back', $form->back) }}" maxlength="300" placeholder="https://www.example.org/thanks" @error('back') aria-invalid="true" @enderror></label><x-error name="back" />
            <label class="flex gap-2 items-center my-3"><input type="checkbox" class="tick" name="on" value="1" @checked($form->power->value === 'on')> Open to be filled in</label>
            <button class="btn go">Keep</button>
        </form>
        <aside>
            <h2 class="mb-1">Where it is</h2>
            <p class="sm break-all"><a class="link" href="{{ $address }}">{{ $address }}</a></p>
            <p class="soft sm">In rules it is called <code>{{ $form->key }}</code>.</p>
            <x-qr :text="$address" says="The address of the form as a QR code" :file="'form-'.$form->key" />
            <h2 class="mt-4 mb-1">In a page of yours</h2>
            @if (($form->origins ?? []) === [])
                <p class="soft sm">Name your website’s origin beside, and what to put into its page stands here.</p>
            @else
                <label class="label" for="snippet">To show it there</label><textarea class="input w-full font-mono text-[12px]" id="snippet" rows="3" readonly>&lt;iframe src="{{ route('forms.public', [$form, 'embedded' => 1]) }}" title="{{ $form->name }}" width="100%" height="560" style="border:0"&gt;&lt;/iframe&gt;</textarea>
                <label class="label mt-2" for="post-to">Or, for a form you have built yourself, where to send it</label><input class="input w-full font-mono text-[12px]" id="post-to" readonly value="{{ route('forms.post', $form) }}">
                <p class="soft sm mt-1">As a form’s POST, with <code>name</code>, <code>number</code>{{ $form->wording ? ', agrees=1' : '' }}@foreach (\App\Forms\Asked::of($form) as $one), <code>{{ $one->input() }}</code>@endforeach. Only the pages named may do so. With <code>Accept: application/json</code> it answers in JSON.</p>
            @endif
            @if ($wordings->isNotEmpty())
                <h2 class="mt-4 mb-1">What it said one agrees to</h2>
                @foreach ($wordings as $wording)<p class="sm mb-1"><span class="soft">from @time($wording->at, 'j F Y, H:i')</span> {{ $wording->wording ?? 'It did not ask.' }}</p>@endforeach
                <p class="soft sm">With each who agreed the ledger keeps the words they saw.</p>
            @endif
        </aside>
    </div>
    <h2 class="mt-6 mb-1">Sent in</h2>
    @if ($sends->isEmpty())
        <x-empty>Nobody has sent it in yet.</x-empty>
    @else
        <div class="table-wrap"><table class="table dense"><thead><tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">What came of it</th><th scope="col">Agreed</th><th scope="col">Said of themselves</th></tr></thead><tbody>
            @foreach ($sends as $send)<tr><td class="whitespace-nowrap">@time($send->at, 'D j M H:i')</td><td><a class="link" href="{{ route('people.show', $send->person) }}">{{ $send->person->name() }}</a></td><td>@if ($send->record)<a class="link" href="{{ route('records.show', [$send->record->type, $send->record]) }}">{{ $send->record->called() }}</a>@else–@endif</td><td>{{ $send->agreed ? 'yes' : '–' }}</td><td>@if ($send->said === null)–@else{{ implode(', ', array_map(fn ($key, $value) => ($labels[$key] ?? $key).': '.$shown->key(str_replace('fields.', '', $key), $value), array_keys($send->said), $send->said)) }} @if ($send->taken_at)<span class="soft sm">taken</span>@else<form class="inline" method="post" action="{{ route('forms.take', [$form, $send]) }}">@csrf<button class="link sm">Take it</button></form>@endif @endif</td></tr>@endforeach
        </tbody></table></div>
        <x-pages :list="$sends" />
    @endif
</x-page>
