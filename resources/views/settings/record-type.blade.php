<x-page :title="$type->plural">
    <div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> /</div>
    <h1>{{ $type->plural }}</h1>
    <p class="soft mb-4">{{ $type->isPeople() ? 'Every person has names, numbers, an email, a time zone and a language. What else you keep of them stands here.' : 'Rules and texts name these fields by the words beside them, which never change; what a field is called on screen can.' }}</p>
    <div class="two">
        <section>
            <h2 class="mb-1">Fields</h2>
            @if ($type->fields->isEmpty())<x-empty>No fields yet. Add the first below.</x-empty>@endif
            @foreach ($type->fields as $field)
                @php($used = $uses[$field->id])
                <details class="field-row" @if ($errors->has("options-$field->id") || $errors->has("noun-$field->id")) open @endif>
                    <summary><span>{{ $field->name }}</span><code>{{ $type->isPeople() ? '' : $type->key.'.' }}{{ $field->key }}</code><span class="soft sm">{{ $field->kind->says() }}{{ $field->options ? ': '.Str::limit(implode(', ', $field->options), 48) : '' }}</span></summary>
                    <div class="field-edit">
                        <form method="post" action="{{ route('record-types.fields.update', [$type, $field]) }}">@csrf @method('put')
                            <label class="field"><span>Called</span><input class="input w-60" name="name" value="{{ $field->name }}" required maxlength="60"></label>
                            <label class="field"><span>In a sentence: {{ $type->isPeople() ? 'their' : 'the' }} …</span><input class="input w-60" name="noun" value="{{ old('noun', $field->noun) }}" placeholder="{{ $field->read()->noun() }}" maxlength="60"><span class="soft sm">{{ $type->isPeople() ? "“if their {$field->read()->noun()} is empty”" : "“when the {$field->read()->noun()} of a ".mb_strtolower($type->name).' changes”' }}</span><x-error :name="'noun-'.$field->id" /></label>
                            @if ($field->kind->value === 'choice')
                                <label class="field"><span>Choices in their order, one on each line</span><textarea class="input w-60" rows="{{ min(8, max(3, count($field->options ?? []))) }}" name="options">{{ old('options', implode("\n", $field->options ?? [])) }}</textarea><x-error :name="'options-'.$field->id" /></label>
                            @endif
                            @if (in_array($field->kind->value, ['date_time'], true))
                                <label class="flex gap-2 items-center mb-3"><input type="hidden" name="at_place" value="0"><input type="checkbox" class="tick" name="at_place" value="1" @checked($field->at_place)> it happens at our place: texts say it by our clock, not the receiver’s</label>
                            @endif
                            <button class="btn small">Keep</button>
                        </form>
                        <div class="flex gap-2 mt-3 flex-wrap items-center">
                            @if (! $loop->first)<form method="post" action="{{ route('record-types.fields.move', [$type, $field]) }}">@csrf<button class="btn small" name="to" value="up">Move up</button></form>@endif
                            @if (! $loop->last)<form method="post" action="{{ route('record-types.fields.move', [$type, $field]) }}">@csrf<button class="btn small" name="to" value="down">Move down</button></form>@endif
                            <form method="post" action="{{ route('record-types.fields.destroy', [$type, $field]) }}">@csrf @method('delete')<button class="btn small">Take it out</button></form>
                        </div>
                        <p class="sm mt-2">@if ($used['rules'] === [] && $used['sources'] === [])<span class="soft">No rule and no source uses it.</span>@else
                            <x-tone tone="held" icon="circle-alert" class="!whitespace-normal"><span>If it is taken out, these cannot do their work:
                            @foreach ($used['rules'] as $rule)<a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a>{{ $loop->last && $used['sources'] === [] ? '' : ', ' }}@endforeach
                            @foreach ($used['sources'] as $source)<a class="link" href="{{ route('sources.show', $source) }}">{{ $source->name }}</a>{{ $loop->last ? '' : ', ' }}@endforeach</span></x-tone>@endif</p>
                    </div>
                </details>
            @endforeach
            <form class="panel mt-4" method="post" action="{{ route('record-types.fields.store', $type) }}" aria-label="Add a field" x-data="addField">@csrf
                <h2 class="mb-2">Add a field</h2>
                <div class="flex gap-3 flex-wrap items-end">
                    <label><span class="label">Called</span><input class="input w-44" name="name" value="{{ old('kind') ? old('name') : '' }}"></label>
                    <label><span class="label">Holds</span><select class="input" name="kind" x-ref="kind" x-on:change="show">@foreach ($kinds as $kind)<option value="{{ $kind->value }}" @selected(old('kind') === $kind->value)>{{ $kind->says() }}</option>@endforeach</select></label>
                    <label data-kind="record"><span class="label">Of which records</span><select class="input" name="of"><option value=""></option>@foreach ($types as $one)<option value="{{ $one->key }}">{{ $one->plural }}</option>@endforeach</select></label>
                </div>
                <label class="field mt-3" data-kind="choice"><span>Choices in their order, one on each line</span><textarea class="input w-60" rows="3" name="options">{{ old('kind') ? old('options') : '' }}</textarea></label>
                @if (old('kind'))<x-error name="name" />@endif <x-error name="options" /><x-error name="of" />
                <button class="btn go mt-3">Add it</button>
            </form>
            @if ($removed->isNotEmpty())
                <h2 class="mt-6 mb-1">Taken out</h2>
                @foreach ($removed as $field)<form class="flex gap-3 items-center mb-1" method="post" action="{{ route('record-types.fields.bring-back', [$type, $field]) }}">@csrf<span>{{ $field->name }} <span class="soft sm">{{ $field->kind->says() }}</span></span><button class="btn small">Bring it back</button></form>@endforeach
            @endif
        </section>
        <aside>
            <form method="post" action="{{ route('record-types.update', $type) }}">@csrf @method('put')
                <h2 class="mb-2">The type itself</h2>
                <label class="field"><span>One is called</span><input class="input w-full" name="name" value="{{ $type->name }}"></label>
                <label class="field"><span>Several are called</span><input class="input w-full" name="plural" value="{{ $type->plural }}"></label>
                @unless ($type->isPeople())<label class="field"><span>Its person is called, in a sentence: the …</span><input class="input w-full" name="person_noun" value="{{ old('person_noun', $type->person_noun) }}" placeholder="person" maxlength="40"><x-error name="person_noun" /></label>@endunless
                @foreach ($parts as $part => $about)
                    <label class="field"><span>The field that {{ $about['says'] }}</span><select class="input w-full" name="{{ $part }}"><option value="">none</option>@foreach ($about['fields'] as $field)<option value="{{ $field->key }}" @selected($type->getAttribute($part) === $field->key)>{{ $field->name }}</option>@endforeach</select><x-error :name="$part" /></label>
                @endforeach
                <button class="btn">Keep</button>
            </form>
        </aside>
    </div>
</x-page>
