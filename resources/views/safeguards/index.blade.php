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
                    @foreach ($days as $day => $name)
                        @php($stretch = old('table') === $key ? [old("week.$day.from"), old("week.$day.to")] : array_map(strval(...), $table['hours']->week[$day][0] ?? ['', '']))
                        <div class="flex gap-2 items-center mb-1 flex-wrap">
                            <span class="w-24">{{ $name }}</span>
                            <input class="input" type="time" name="week[{{ $day }}][from]" value="{{ $stretch[0] }}" aria-label="{{ $name }}, from" @cannot('administer') disabled @endcannot @error("$key-$day") aria-invalid="true" @enderror>
                            <span>to</span>
                            <input class="input" type="time" name="week[{{ $day }}][to]" value="{{ $stretch[1] }}" aria-label="{{ $name }}, to" @cannot('administer') disabled @endcannot @error("$key-$day") aria-invalid="true" @enderror>
                            @foreach (array_slice($table['hours']->week[$day] ?? [], 1) as [$from, $to])<span class="soft">and {{ $from }} to {{ $to }}</span>@endforeach
                            <x-error :name="$key.'-'.$day" />
                        </div>
                    @endforeach
                    <label class="field mt-3"><span>Days closed, each as 2026-12-25</span>
                        <input class="input w-full" name="closed" value="{{ old('table') === $key ? old('closed') : implode(', ', $table['hours']->closed) }}" @cannot('administer') disabled @endcannot>
                        <x-error :name="$key.'-closed'" /></label>
                    @can('administer')<button class="btn">Keep these hours</button>@endcan
                </form>
            @endforeach
        </section>
        <aside>
            <h2 class="mb-2">In the last 30 days</h2>
            <dl class="facts !grid-cols-[1fr_auto]">
                <dt>Held until a decent hour</dt><dd>{{ $held }}</dd>
                <dt>Not sent or not started after a stop</dt><dd>{{ $stopped }}</dd>
                <dt>Not sent because the same words had just gone</dt><dd>{{ $same }}</dd>
                <dt>Said stop</dt><dd>{{ $optOuts }}</dd>
            </dl>
            <h2 class="mt-6 mb-2">Words that are always obeyed</h2>
            <dl class="facts">
                <dt>To stop</dt><dd>{{ implode(', ', $words['opt_out']) }}</dd>
                <dt>To start</dt><dd>{{ implode(', ', $words['opt_in']) }}</dd>
                <dt>For help</dt><dd>{{ implode(', ', $words['help']) }}</dd>
            </dl>
        </aside>
    </div>
</x-page>
