@props(['field', 'page', 'business', 'prefix' => 'field-', 'typed' => [], 'focus' => false])
@php($control = \App\Pages\Records\RecordPage::control($field->kind))
@php($name = "fields.$field->key")
@php($value = $typed[$field->key] ?? old($name, $page->typed($field)))
<div class="field">
    <label class="label" for="{{ $prefix.$field->key }}">{{ $field->name }}{{ $control === 'datetime-local' ? ' ('.\App\Clock\TimeFormatter::place($business->zone).' time)' : '' }}{{ $field->kind->value === 'money' ? ' ('.$business->currency().')' : '' }}</label>
    @if ($control === 'select')
        <select class="input" id="{{ $prefix.$field->key }}" @if ($focus) autofocus @endif name="fields[{{ $field->key }}]" @error($name) aria-invalid="true" aria-describedby="{{ $name }}-error" @enderror>
            <option value=""></option>
            @foreach ($page->choices($field) as $choice => $says)<option value="{{ $choice }}" @selected((string) $choice === $value)>{{ $says }}</option>@endforeach
        </select>
    @elseif ($control === 'textarea')
        <textarea class="input w-full" rows="4" id="{{ $prefix.$field->key }}" @if ($focus) autofocus @endif name="fields[{{ $field->key }}]" @error($name) aria-invalid="true" aria-describedby="{{ $name }}-error" @enderror>{{ $value }}</textarea>
    @elseif ($control === 'pick')
        <input class="input w-full" id="{{ $prefix.$field->key }}" @if ($focus) autofocus @endif name="fields[{{ $field->key }}]" value="{{ $value }}" autocomplete="off" list="picks-{{ $prefix.$field->key }}" placeholder="{{ $field->kind->value === 'person' ? 'Name, number or email' : 'Title' }}"
            hx-get="{{ route('records.picks', ['of' => $field->kind->value === 'person' ? 'person' : $field->of]) }}" hx-trigger="input changed delay:200ms" hx-target="#picks-{{ $prefix.$field->key }}" hx-swap="innerHTML" hx-vals='{"name": "{{ $field->key }}"}' hx-params="*" @error($name) aria-invalid="true" aria-describedby="{{ $name }}-error" @enderror>
        <datalist id="picks-{{ $prefix.$field->key }}"></datalist>
    @else
        <input class="input {{ in_array($control, ['text', 'email'], true) && ! in_array($field->kind->value, ['number', 'money'], true) ? 'w-full' : '' }}" type="{{ $control }}" id="{{ $prefix.$field->key }}" @if ($focus) autofocus @endif name="fields[{{ $field->key }}]" value="{{ $value }}" @if (in_array($field->kind->value, ['number', 'money'], true)) inputmode="decimal" @endif @error($name) aria-invalid="true" aria-describedby="{{ $name }}-error" @enderror>
    @endif
    <x-error :name="$name" />
</div>
