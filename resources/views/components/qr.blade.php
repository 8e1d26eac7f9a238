@props(['text', 'says', 'file', 'label' => 'QR code'])
<details x-data="qr" data-text="{{ $text }}" data-says="{{ $says }}" x-on:toggle="draw">
    <summary class="link sm min-h-6 py-0.5">{{ $label }}</summary>
    <div class="qr mt-1" x-ref="code"></div>
    <p class="sm mt-1"><a class="link" x-ref="file" download="{{ $file }}.svg" hidden>Keep it as a picture (SVG)</a></p>
    <p class="sm soft break-all">{{ $text }}</p>
</details>
