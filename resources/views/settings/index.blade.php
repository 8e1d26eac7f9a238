<x-page title="Settings">
    <h1>Settings</h1>
    <p class="soft mb-1">What the business is called, what its records are made of, who may fetch them from outside, and what a text costs.</p>
    <p class="flex gap-4 flex-wrap mb-4"><a class="link" href="{{ route('staff.index') }}">Staff</a><a class="link" href="{{ route('forms.index') }}">Forms that anybody may fill in</a><a class="link" href="{{ route('pools.index') }}">Shared wordings and codes</a></p>
    @if (session('token'))
        <section class="panel mb-4 secret"><h2 class="mb-1">Copy the token now</h2><p class="soft sm mb-2">It is shown this once.</p><p><code id="token">{{ session('token') }}</code></p></section>
    @endif
    @if (session('calendar'))
        <section class="panel mb-4 secret"><h2 class="mb-1">Copy the calendar’s address now</h2><p class="soft sm mb-2">It is shown this once. Whoever has it can read the calendar.</p><p><code id="calendar">{{ session('calendar') }}</code></p></section>
    @endif
    <div class="two">
        <section>
            <h2 class="mb-1">Records and their fields</h2>
            <div class="table-wrap"><table class="table dense">
                <thead><tr><th scope="col">Type</th><th scope="col">In rules and texts</th><th scope="col" class="n">Fields</th></tr></thead>
                <tbody>@foreach ($types as $type)<tr><td><a class="link" href="{{ route('record-types.show', $type) }}">{{ $type->plural }}</a></td><td><code>{{ $type->key }}</code></td><td class="n">{{ $type->fields_count }}</td></tr>@endforeach</tbody>
            </table></div>
            <form class="flex gap-2 flex-wrap items-end mt-3" method="post" action="{{ route('record-types.store') }}" aria-label="Add a type of record">@csrf
                <label><span class="label">One is called</span><input class="input w-40" name="name" value="{{ old('plural') !== null ? old('name') : '' }}" placeholder="Regatta entry"></label>
                <label><span class="label">Several are called</span><input class="input w-40" name="plural" value="{{ old('plural') }}" placeholder="Regatta entries"></label>
                <button class="btn">Add a type</button>
                @if (old('plural') !== null)<x-error name="name" />@endif<x-error name="plural" />
            </form>

            <h2 class="mt-8 mb-1">API tokens</h2>
            <p class="soft sm mb-2">For programs of your own. <a class="link" href="{{ route('api') }}">What they can ask for</a></p>
            @if ($tokens->isNotEmpty())
                <div class="table-wrap"><table class="table"><thead><tr><th scope="col">Used by</th><th scope="col">May</th><th scope="col">Last used</th><th scope="col"><span class="sr-only">End</span></th></tr></thead>
                    <tbody>@foreach ($tokens as $token)<tr><td>{{ $token->name }}<br><span class="soft sm">made by {{ $token->tokenable?->name ?? 'somebody who has left' }}</span></td><td class="sm">{{ implode(', ', array_map(fn ($ability) => \App\Api\Ability::tryFrom($ability)?->says() ?? $ability, $token->abilities ?? [])) }}</td><td class="whitespace-nowrap">@if ($token->last_used_at)@time($token->last_used_at, 'j M Y, H:i')@else never @endif</td><td><form method="post" action="{{ route('tokens.destroy', $token) }}">@csrf @method('delete')<button class="btn small">End it</button></form></td></tr>@endforeach</tbody></table></div>
                <x-pages :list="$tokens" />
            @endif
            <form class="panel mt-3" method="post" action="{{ route('tokens.store') }}" aria-label="Make a token">@csrf
                <label class="field"><span>Who will use it</span><input class="input w-60" name="name" value="{{ old('abilities') !== null ? old('name') : '' }}" placeholder="Website">@if (old('plural') === null && old('type') === null && old('abilities', false) !== false)<x-error name="name" />@endif</label>
                <fieldset class="mb-3"><legend class="label">It may</legend><input type="hidden" name="abilities[]" value="" disabled>
                    @foreach ($abilities as $ability)<label class="flex gap-2 items-center mb-1"><input type="checkbox" class="tick" name="abilities[]" value="{{ $ability->value }}" @checked(in_array($ability->value, (array) old('abilities', []), true))> {{ $ability->says() }}</label>@endforeach
                    <x-error name="abilities" /></fieldset>
                <button class="btn">Make a token</button>
            </form>
        </section>
        <aside>
            <h2 class="mb-1">The business</h2>
            <form method="post" action="{{ route('settings.business') }}" class="mb-6">@csrf @method('put')
                <x-field name="business" label="What it is called (its texts carry the name)"><input class="input w-full" name="business" value="{{ old('business', $business->name) }}" maxlength="80" @error('business') aria-invalid="true" aria-describedby="business-error" @enderror></x-field>
                <x-field name="country" label="Country: a number typed without one is read as one of its own"><select class="input w-full" name="country" @error('country') aria-invalid="true" aria-describedby="country-error" @enderror>@foreach ($countries as $code => $name)<option value="{{ $code }}" @selected(old('country', $business->country) === $code)>{{ $name }}</option>@endforeach</select></x-field>
                <x-field name="zone" label="The clock its days, hours and rules go by"><select class="input w-full" name="zone" @error('zone') aria-invalid="true" aria-describedby="zone-error" @enderror>@foreach ($zones as $zone)<option @selected(old('zone', $business->zone) === $zone)>{{ $zone }}</option>@endforeach</select></x-field>
                <p class="soft sm mb-2">Another clock holds for all that has still to come; days gone by are counted by it anew. The currency stands with what a text costs, below.</p>
                <button class="btn small">Keep</button>
            </form>
            <h2 class="mb-1">Mail</h2>
            <p class="mb-2">@if ($mailIsThere)<x-tone tone="well">Mail goes out by “{{ config('mail.default') }}”.</x-tone>@else<x-tone tone="bad">No mail server is set up.</x-tone> Rules that write emails cannot: each says so, and can be tried again. Whoever runs this server gives MAIL_MAILER=smtp with MAIL_HOST, MAIL_PORT, MAIL_USERNAME and MAIL_PASSWORD in .env, and starts the workers again.@endif</p>
            <p class="mb-6 soft sm">@if ($mailbox)What is answered to a notice’s mail comes in at {{ $mailbox }}, and goes out as the text.@else A notice’s mail says where to answer. With REPLY_MAILBOX and REPLY_MAILBOX_SECRET in .env what is answered to it goes out as the text.@endif</p>
            <h2 class="mb-1">Who is who</h2>
            <form method="post" action="{{ route('settings.people') }}">@csrf @method('put')
                <fieldset><legend class="soft sm mb-2">People are known by their name in the other system, then their number, then their email. If these lead to two people:</legend>
                    @foreach ($conflicts as $conflict)<label class="flex gap-2 items-start mb-2"><input type="radio" class="tick" name="conflicts" value="{{ $conflict->value }}" @checked($business->conflicts === $conflict)><span>{{ $conflict->says() }}</span></label>@endforeach</fieldset>
                <button class="btn small">Keep</button>
            </form>
            <h2 class="mt-8 mb-1">Calendars to subscribe to</h2>
            <p class="soft sm mb-2">Records with a beginning, at a secret address that any calendar program can follow.</p>
            @foreach ($calendars as $calendar)
                <div class="flex justify-between gap-2 mb-1"><span>{{ $calendar->name }}<br><span class="soft sm">{{ mb_strtolower($calendar->type->plural) }}, @if ($calendar->fetched_at)last fetched @time($calendar->fetched_at, 'j M, H:i')@else never fetched @endif</span></span><form method="post" action="{{ route('calendars.destroy', $calendar) }}">@csrf @method('delete')<button class="btn small">End it</button></form></div>
            @endforeach
            <x-pages :list="$calendars" />
            <form class="flex gap-2 flex-wrap items-end mt-2" method="post" action="{{ route('calendars.store') }}" aria-label="Make a calendar">@csrf
                <label><span class="label">Called</span><input class="input w-36" name="name"></label>
                <label><span class="label">Of</span><select class="input" name="type">@foreach ($dated as $type)<option value="{{ $type->key }}">{{ $type->plural }}</option>@endforeach</select></label>
                <button class="btn small">Make it</button>
                @if (old('type') !== null)<x-error name="name" />@endif <x-error name="type" />
            </form>
            <h2 class="mt-8 mb-1">What a text costs</h2>
            @php
                $columns = ['per_part' => 'A part out', 'inbound' => 'A part in', 'picture' => 'With a picture'];
                $written = fn (int $micros): string => rtrim(rtrim(number_format($micros / 1_000_000, 6, '.', ''), '0'), '.');
                $kept = array_map(fn (string $column): array => $business->tariff[$column] ?? [], array_combine(array_keys($columns), array_keys($columns)));
                $countries = array_keys(array_merge(...array_values($kept)));
                sort($countries);
                $rows = old('prices') ?? [...array_map(fn (string $country): array => ['country' => $country] + array_map(fn (array $prices): string => isset($prices[$country]) ? $written($prices[$country]) : '', $kept), $countries), [], []];
            @endphp
            <form method="post" action="{{ route('settings.tariff') }}" aria-label="What a text costs">@csrf @method('put')
                <label class="field"><span>Currency, or credits</span><input class="input w-28" name="currency" value="{{ old('currency', $business->tariff['currency']) }}" @error('currency') aria-invalid="true" @enderror><x-error name="currency" /></label>
                <div class="table-wrap"><table class="table tariff">
                    <thead><tr><th scope="col">Country</th>@foreach ($columns as $called)<th scope="col">{{ $called }}</th>@endforeach</tr></thead>
                    <tbody>
                        @foreach ($rows as $i => $row)<tr>
                            <td><input class="input" name="prices[{{ $i }}][country]" value="{{ $row['country'] ?? '' }}" maxlength="2" aria-label="Country, row {{ $i + 1 }}" placeholder="GB" @error("prices.$i.country") aria-invalid="true" @enderror><x-error :name="'prices.'.$i.'.country'" /></td>
                            @foreach ($columns as $column => $called)<td><input class="input" name="prices[{{ $i }}][{{ $column }}]" value="{{ $row[$column] ?? '' }}" inputmode="decimal" aria-label="{{ $called }}, {{ $row['country'] ?? '' ?: 'row '.($i + 1) }}" @error("prices.$i.$column") aria-invalid="true" @enderror><x-error :name="'prices.'.$i.'.'.$column" /></td>@endforeach
                        </tr>@endforeach
                        <tr><th scope="row">Any other</th>@foreach (\App\Http\Controllers\TariffController::COLUMNS as $column => $elsewhere)<td><input class="input" name="{{ $elsewhere }}" inputmode="decimal" aria-label="{{ $columns[$column] }}, any other country" value="{{ old($elsewhere, $written($business->tariff[$elsewhere] ?? 0)) }}" @error($elsewhere) aria-invalid="true" @enderror><x-error :name="$elsewhere" /></td>@endforeach</tr>
                    </tbody>
                </table></div>
                <p class="soft sm my-2">A picture has one price, whatever the text’s length. An empty price is that of “any other”; an empty row is no country.</p>
                <button class="btn small">Keep these prices</button>
            </form>
        </aside>
    </div>
</x-page>
