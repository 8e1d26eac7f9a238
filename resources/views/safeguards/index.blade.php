<x-page title="Safeguards">
    <h1>Safeguards</h1>
    <p class="soft mb-4">What protects people, and what it did in the last 30 days.</p>
    <div class="two">
        <section>
            @foreach ($tables as $key => $table)
                <form class="panel mb-4" method="post" action="{{ route('safeguards.update') }}" aria-label="{{ $table['name'] }}">
                    @csrf @method('put')
                    <input type="hidden" name="table" value="{{ $key }}">
                    <h2>{{ $table['name'] }}</h2>
                    <p class="soft sm mb-2">{{ $table['why'] }}</p>
                    <x-hours :name="$key" :hours="$table['hours']" :mine="old('table') === $key" :locked="! Auth::user()->can('administer')" />
                    @can('administer')<div class="flex flex-wrap gap-2"><button class="btn">Keep these hours</button><button class="btn scripted" type="button" hx-put="{{ route('safeguards.effect', 'hours') }}" hx-include="closest form" hx-target="next .effect">See what it comes to</button></div><div class="effect" aria-live="polite"></div>@endcan
                </form>
            @endforeach
            @include('safeguards.limits')
        </section>
        <aside>
            <h2 class="mb-2">In the last 30 days</h2>
            <dl class="facts !grid-cols-[1fr_auto]">
                @foreach ($did as [$one, $many])<dt>{{ $one->says() }}</dt><dd class="text-right"><a class="link" href="{{ route('safeguards.did', $one) }}">{{ number_format($many) }}</a></dd>@endforeach
                <dt>Said stop</dt><dd class="text-right"><a class="link" href="{{ route('safeguards.consent') }}">{{ $optOuts }}</a></dd>
            </dl>
            <p class="mt-3"><a class="link" href="{{ route('safeguards.consent') }}">The consent ledger</a></p>
            <h2 class="mt-6 mb-2">Words that are always obeyed <a class="link sm font-sans font-normal" href="{{ route('keywords') }}">all keywords</a></h2>
            @can('administer')
                <form method="post" action="{{ route('safeguards.words') }}" aria-label="Words that are always obeyed">@csrf @method('put')
                    @foreach (['opt_out' => 'To stop', 'opt_in' => 'To start again', 'help' => 'For help'] as $kind => $label)
                        <label class="field"><span>{{ $label }}</span><input class="input w-full" name="{{ $kind }}" value="{{ old($kind, implode(', ', $words[$kind])) }}" @error($kind) aria-invalid="true" @enderror><x-error :name="$kind" /></label>
                    @endforeach
                    <button class="btn small">Keep these words</button>
                </form>
            @else
                <dl class="facts">
                    <dt>To stop</dt><dd>{{ implode(', ', $words['opt_out']) }}</dd>
                    <dt>To start</dt><dd>{{ implode(', ', $words['opt_in']) }}</dd>
                    <dt>For help</dt><dd>{{ implode(', ', $words['help']) }}</dd>
                </dl>
            @endcan
        </aside>
    </div>
</x-page>
