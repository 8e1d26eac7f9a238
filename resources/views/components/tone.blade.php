@props(['tone' => 'plain', 'icon' => null])
<span {{ $attributes->class(['tone', $tone]) }}>
    <x-icon :name="$icon ?? ['well' => 'circle-check', 'held' => 'clock', 'bad' => 'circle-x', 'plain' => 'circle-dot'][$tone]" />{{ $slot }}
</span>