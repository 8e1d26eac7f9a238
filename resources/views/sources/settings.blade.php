<x-page :title="$source->name">
    <x-source-head :source="$source" />
    @if (session('secret'))<x-secret :secret="session('secret')" :source="$source" />@endif
    <div class="two">
        <form class="panel" method="post" action="{{ route('sources.update', $source) }}" aria-label="This source">
            @csrf @method('put')
            <label class="field"><span>What you call it</span><input class="input w-full" name="name" value="{{ old('name', $source->name) }}"><x-error name="name" /></label>
            @if ($source->kind->value === 'feed')
                <p class="label">Its address</p><p class="mb-3"><code>{{ route('in.source', ['source' => $source]) }}</code></p>
                <fieldset class="mb-3"><legend class="label">How it shows that it is itself</legend>
                    @foreach (\App\Models\Proof::cases() as $proof)
                        <label class="flex gap-2 items-start mb-1"><input type="radio" class="tick" name="proof" value="{{ $proof->value }}" @checked($source->proof === $proof)><span>{{ $proof->says() }}<br><span class="soft sm">{{ $proof->value === 'secret' ? 'As a bearer token, or as the last part of the address.' : 'By the Standard Webhooks scheme; anything unsigned is refused.' }}</span></span></label>
                    @endforeach
                </fieldset>
                <fieldset class="mb-3"><legend class="label">How long what it sends is kept</legend>
                    <div class="flex gap-2 flex-wrap items-center"><input class="input w-20" type="number" name="keep_days" min="1" max="3650" aria-label="Days" value="{{ old('keep_days', $source->keep_days) }}"> days, and <input class="input w-24" type="number" name="keep_megabytes" min="1" max="100000" aria-label="Megabytes" value="{{ old('keep_megabytes', $source->keep_megabytes) }}"> MB at most</div>
                    <p class="soft sm mt-1">The oldest go first. What they wrote stays.</p><x-error name="keep_days" /><x-error name="keep_megabytes" />
                </fieldset>
            @else
                <label class="field"><span>The address of the file</span><input class="input w-full" name="address" value="{{ old('address', $source->address) }}"><x-error name="address" /></label>
                <label class="field"><span>Minutes between looks</span><input class="input w-24" type="number" name="every_minutes" min="5" max="10080" value="{{ old('every_minutes', $source->every_minutes) }}"><x-error name="every_minutes" /></label>
                @if ($type)
                    <fieldset class="mb-3"><legend class="label">When a row is no longer there, and has not begun</legend>
                        <div class="flex gap-2 flex-wrap items-center">put into <select class="input" name="gone_field" aria-label="Field"><option value="">nothing: leave the record as it is</option>@foreach ($type->fields->where('kind', \Linnet\Core\Record\FieldKind::Choice) as $field)<option value="{{ $field->key }}" @selected(($source->gone['field'] ?? '') === $field->key)>{{ $field->name }}</option>@endforeach</select>
                        <label>the value <input class="input w-32" name="gone_value" value="{{ $source->gone['value'] ?? '' }}"></label></div>
                    </fieldset>
                @endif
            @endif
            <button class="btn go">Keep</button>
        </form>
        @if ($source->kind->value === 'feed')
            <aside>
                <h2 class="mb-1">Its secret</h2>
                <p class="soft sm mb-2">It is kept encrypted and never shown again. If it is lost, or somebody has it who should not, make a new one: for a day both are good, so that nothing is lost while the sender changes over.</p>
                <form method="post" action="{{ route('sources.rotate', $source) }}">@csrf<button class="btn">Make a new secret</button></form>
                @if ($source->old_secret_until && $source->old_secret_until > $now)
                    <p class="mt-3 sm"><x-tone tone="held">The old one is still good until @time($source->old_secret_until, 'D j M H:i').</x-tone></p>
                    <form class="mt-1" method="post" action="{{ route('sources.end-old-secret', $source) }}">@csrf @method('delete')<button class="btn small">End the old one now</button></form>
                @endif
            </aside>
        @endif
    </div>
</x-page>
