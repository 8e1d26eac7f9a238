<x-page :title="$page->person->name()">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> /</div>
    <div class="head">
        <div>
            <h1>{{ $page->person->name() }}</h1>
            <p class="soft">It is {{ $page->now->setTimezone(new DateTimeZone($page->receiver->zone))->format('H:i') }} for {{ $page->receiver->who }}@if ($page->receiver->zone !== $business->zone) (in {{ \App\Clock\Said::place($page->receiver->zone) }}; here it is <x-time :at="$page->now" />)@endif.</p>
        </div>
        <div class="acts">
            @foreach ($page->conversations() as $conversation)
                <a class="btn" href="{{ route('conversations.show', $conversation) }}"><x-icon name="message-square" />With the {{ $conversation->line->name }}</a>
            @endforeach
        </div>
    </div>
    <div class="two mt-4">
        <section>
            @if ($page->coming()->isNotEmpty())
                <h2 class="mb-2">Coming texts</h2>
                @foreach ($page->coming() as $text)
                    <div class="panel mb-2">
                        <p>{{ $text->body !== '' ? $text->body : $text->template }}</p>
                        <p class="mt-1"><x-state :message="$text" /> <x-reason :reason="$text->reason" /></p>
                        <p class="sm soft">by <a class="link" href="{{ route('rules.show', $text->rule_id) }}">{{ $text->rule?->name }}</a>, wanted <x-time :at="$text->wanted_at" format="D j M H:i" /></p>
                        @can('administer')
                            <div class="flex gap-2 mt-2">
                                <form method="post" action="{{ route('messages.ask-again', $text) }}">@csrf<button class="btn small">Try again now</button></form>
                                <form method="post" action="{{ route('messages.drop', $text) }}">@csrf<button class="btn small">Do not send it</button></form>
                            </div>
                        @endcan
                    </div>
                @endforeach
            @endif
            <h2 class="mt-4">The story</h2>
            @if ($page->story()->days === [])
                <x-empty>Nothing has happened with {{ $page->receiver->who }} yet. Calls, texts and every decision about them will stand here with its reason.</x-empty>
            @else
                <x-story :story="$page->story()" />
            @endif
        </section>
        <aside>
            <h2 class="mb-1">May we text {{ $page->receiver->who }}?</h2>
            <x-may-we-text :receiver="$page->receiver" />

            <h2 class="mt-5 mb-1">Facts</h2>
            <dl class="facts">
                @foreach ($page->person->numbers as $number)
                    <dt>{{ ['mobile' => 'Mobile', 'landline' => 'Landline', 'either' => 'Number', 'other' => 'Number', 'unknown' => 'Number'][$number->kind->value] }}</dt>
                    <dd>{{ \Linnet\Core\Number\Numbers::pretty($number->e164) }}@if ($number->kind->value === 'either') <span class="soft sm">mobile or landline: the number does not tell</span>@endif</dd>
                @endforeach
                <dt>Zone</dt>
                <dd>{{ implode(', ', array_map(\App\Clock\Said::place(...), array_slice($page->receiver->zones, 0, 3))) }}{{ count($page->receiver->zones) > 3 ? ' and '.(count($page->receiver->zones) - 3).' more' : '' }}, {{ $page->person->zone ? 'set by hand' : 'from the number' }}</dd>
                @if ($page->person->email)<dt>Email</dt><dd>{{ $page->person->email }}</dd>@endif
                @foreach ($page->person->fields as $key => $value)<dt>{{ ucfirst(str_replace('_', ' ', $key)) }}</dt><dd>{{ is_scalar($value) ? $value : '' }}</dd>@endforeach
            </dl>

            <h2 class="mt-5 mb-1">Rules under way</h2>
            @forelse ($page->underWay() as $run)
                <p class="mb-1"><a class="link" href="{{ route('rules.show', $run->rule_id) }}">{{ $run->rule->name }}</a><br><span class="soft sm">since <x-time :at="$run->began_at" format="D j M H:i" />@if ($run->timer?->due_at), next look <x-time :at="$run->timer->due_at" format="D j M H:i" />@else, waiting for its text to leave @endif</span></p>
            @empty
                <p class="soft sm">None.</p>
            @endforelse

            <h2 class="mt-5 mb-1">Consent</h2>
            @forelse ($page->ledger() as $entry)
                <p class="mb-1 sm"><x-tone :tone="$entry->act === 'withdrawn' ? 'bad' : 'well'" :icon="$entry->act === 'withdrawn' ? 'ban' : 'check'">{{ $entry->act === 'withdrawn' ? 'Said stop' : 'Agreed again' }}</x-tone> <span class="soft"><x-time :at="$entry->at" format="j F Y, H:i" />, by text from {{ \Linnet\Core\Number\Numbers::pretty($entry->number) }}: “{{ Str::limit($entry->wording, 60) }}”</span></p>
            @empty
                <p class="soft sm">Nothing recorded. Texts about what they asked for need no record; offers do.</p>
            @endforelse
        </aside>
    </div>
</x-page>
