<!doctype html>
<html lang="en-GB">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ $title }} · Stand-ins</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>
<body hx-ext="morph">
    <main class="main max-w-[1180px] mx-auto">
        <div class="head">
            <div>
                <p class="crumb">Stand-ins for the services around Linnet. Nothing here is real.</p>
                <h1>{{ $title }}</h1>
            </div>
            <div class="acts flex-wrap">
                <span class="soft" id="clock">{{ $now->setTimezone(new DateTimeZone('Europe/London'))->format('D j F Y, H:i') }} on the quay</span>
                <form method="post" action="{{ route('clock') }}" class="flex gap-1">@csrf
                    <button class="btn small" name="by" value="2 minutes">+2 min</button>
                    <button class="btn small" name="by" value="1 hour">+1 h</button>
                    <button class="btn small" name="by" value="1 day">+1 day</button>
                </form>
                <a class="btn" href="{{ $linnet }}">Back to Linnet</a>
            </div>
        </div>
        @if (session('done'))<p class="note well mt-3" role="status">{{ session('done') }}</p>@endif
        @yield('body')
    </main>
</body>
</html>
