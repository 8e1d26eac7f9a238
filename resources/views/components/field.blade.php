@props(['name', 'label', 'error' => null])
<label class="field" {{ $attributes }}>
    <span>{{ $label }}</span>
    {{ $slot }}
    <x-error :name="$name" />
</label>
