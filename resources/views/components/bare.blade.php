@props(['title', 'brand' => null, 'style' => null])
<!doctype html>
<html lang="en-GB">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ $title }} · {{ $brand ?? 'Linnet' }}</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
    @if ($style)<link rel="stylesheet" href="{{ $style }}">@endif
</head>
<body>
    <main class="log-in">
        <p class="brand">@if ($brand) {{ $brand }} @else <x-bird />Linnet @endif</p>
        <h1 class="mb-2">{{ $title }}</h1>
        {{ $slot }}
    </main>
</body>
</html>
