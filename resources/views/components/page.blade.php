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
    <dialog id="keys" class="panel" aria-labelledby="keys-title">
        <h2 id="keys-title" class="mb-2">Keys</h2>
        <dl class="facts">
            <dt><kbd>?</kbd></dt><dd>this list</dd>
            <dt><kbd>/</kbd></dt><dd>find in the list on this page</dd>
            <dt><kbd>Tab</kbd></dt><dd>to the next word, field or link</dd>
            <dt><kbd>Enter</kbd></dt><dd>open the word under the focus</dd>
            <dt><kbd>Esc</kbd></dt><dd>close what is open, unchanged</dd>
            <dt><kbd>{</kbd> <kbd>:</kbd></dt><dd>while writing a text: what can be filled in; emoji by their names</dd>
            <dt><kbd>F2</kbd></dt><dd>beside what is filled in: how it is written, and what it says where it is empty</dd>
            <dt class="col-span-2 mt-2 font-semibold">On a sentence of a rule</dt>
            <dt><kbd>↑</kbd> <kbd>↓</kbd></dt><dd>to the sentence above or below</dd>
            <dt><kbd>Enter</kbd></dt><dd>write a line below it (with <kbd>Shift</kbd>: behind the block it ends)</dd>
            <dt><kbd>F2</kbd></dt><dd>write it otherwise</dd>
            <dt><kbd>Alt</kbd> and an arrow</dt><dd>move it up or down, out of its block or into the one above</dd>
            <dt><kbd>Del</kbd></dt><dd>take it out</dd>
            <dt><kbd>Ctrl</kbd> <kbd>Z</kbd></dt><dd>undo (with <kbd>Shift</kbd>: do again)</dd>
        </dl>
        <form method="dialog" class="mt-3"><button class="btn small">Close</button></form>
    </dialog>
    <div id="toast" aria-live="polite">
        @if (session('done')) <x-toast>{{ session('done') }}</x-toast> @endif
    </div>
</body>
</html>
