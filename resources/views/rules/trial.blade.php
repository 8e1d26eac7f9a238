<x-page title="Try it on my phone">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> / <a class="link" href="{{ route('rules.show', $page->query()) }}">{{ $page->written->name }}</a></div>
    <h1>Try it on my phone</h1>
    <p class="soft mb-4">The texts of this rule as they would go for {{ $page->sample->says ?? 'somebody' }}{{ $page->whatIf->sentences === [] ? '' : ', if '.implode(', and ', $page->whatIf->sentences) }}, sent to your own number. Nothing is counted, and nobody else gets anything.</p>
    <x-error name="trial" />
    @if ($staff->number_confirmed_at === null)
        <section class="panel max-w-xl" id="own-number">
            <h2 class="mb-1">Your own number</h2>
            @if ($asked !== null)
                <p class="mb-2">A code was sent to {{ \Linnet\Core\Number\Numbers::pretty($asked) }}.</p>
                <form class="flex gap-2 items-end flex-wrap" method="post" action="{{ route('rules.trial.number', $page->rule) }}">@csrf
                    <label><span class="label">The code</span><input class="input w-32" name="code" inputmode="numeric" autocomplete="one-time-code" autofocus></label><button class="btn go">It is mine</button></form>
                <x-error name="code" />
            @endif
            <form @class(['flex gap-2 items-end flex-wrap', 'mt-4' => $asked !== null]) method="post" action="{{ route('rules.trial.number', $page->rule) }}">@csrf
                <label><span class="label">{{ $asked === null ? 'Number of your mobile' : 'Another number, or another code' }}</span><input class="input w-56" type="tel" name="number" value="{{ old('number', $asked ?? $staff->number) }}" autocomplete="tel"></label><button class="btn">Send a code there</button></form>
            <x-error name="number" />
        </section>
    @else
        <div id="trial" @if ($trial) hx-get="{{ route('rules.trial', $page->query()) }}" hx-trigger="every 3s" hx-swap="innerHTML" @endif>@include('rules.trial-texts')</div>
    @endif
</x-page>
