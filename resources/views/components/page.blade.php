@props(['title', 'wide' => false])
<!doctype html>
<html lang="en-GB">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <title>{{ $title }} · Linnet</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>
<body hx-headers='{"X-CSRF-TOKEN": "{{ csrf_token() }}"}' hx-ext="morph">
    <a class="skip" href="#main">Skip to the page</a>
    <div class="frame">
        <x-rail />
        <main id="main" @class(['main' => ! $wide, 'flex-1 min-w-0' => $wide])>
            @if ($wide) {{ $slot }} @else <div class="column">{{ $slot }}</div> @endif
        </main>
    </div>
    <div id="toast" aria-live="polite">
        @if (session('done')) <x-toast>{{ session('done') }}</x-toast> @endif
    </div>
</body>
</html>
