@props(['word', 'page', 'wrong', 'changed'])
<details class="word" @if (($wrong[$word->place()] ?? '') !== '') open @endif><summary id="word-{{ $word->place() }}" @if ($changed === $word->place() && $wrong === []) autofocus @endif>{{ $word->says }}</summary><form class="change" method="post" action="{{ route('rules.draft.update', ['rule' => $page->rule, 'sample' => $page->sample?->id]) }}"
    hx-patch="{{ route('rules.draft.update', ['rule' => $page->rule, 'sample' => $page->sample?->id]) }}" hx-target="#rule" hx-swap="outerHTML">
        @csrf @method('patch')
        <input type="hidden" name="part" value="{{ $word->part }}">
        @if ($word->step)<input type="hidden" name="step" value="{{ $word->step }}">@endif
        <fieldset>
            <legend class="label">{{ ucfirst($word->ask) }}</legend>
            <div class="row">
                @isset($word->values['amount'])<input class="input w-20" type="text" inputmode="numeric" name="amount" value="{{ $word->values['amount'] }}" aria-label="How many">@endisset
                @isset($word->values['time'])<input class="input" type="time" name="time" value="{{ $word->values['time'] }}" aria-label="Time of day">@endisset
                @if ($word->choices === [])
                    <input class="input w-72" name="value" value="{{ $word->values['value'] }}" aria-label="{{ $word->ask }}">
                @else
                    <select class="input" name="value" aria-label="{{ $word->ask }}">
                        @foreach ($word->choices as $value => $says)<option value="{{ $value }}" @selected((string) $value === (string) $word->values['value'])>{{ $says }}</option>@endforeach
                    </select>
                @endif
                @isset($word->values['days'])<label class="sm soft">Days <input class="input w-16" type="text" inputmode="numeric" name="days" value="{{ $word->values['days'] }}"></label>@endisset
                <button class="btn small go">Change</button>
            </div>
            @if (($wrong[$word->place()] ?? '') !== '')<p class="error" role="alert"><x-icon name="circle-alert" />{{ $wrong[$word->place()] }}</p>@endif
            @if ($word->part === 'hours')<p class="sm soft mt-2">Open is {{ $page->openToday() }}. <a class="link" href="{{ route('safeguards.index') }}">Change the opening hours</a></p>@endif
        </fieldset>
    </form></details>