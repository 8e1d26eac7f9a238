@props(['tone' => 'plain', 'icon' => null])
{{ \App\View\ToneTag::of($tone, $slot, $icon, $attributes->get('class', '')) }}