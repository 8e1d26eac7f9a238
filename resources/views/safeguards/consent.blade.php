<x-page title="Consent">
    <div class="crumb"><a class="link" href="{{ route('safeguards.index') }}">Safeguards</a> /</div>
    <h1>Consent</h1>
    <p class="soft">Who agreed to what, and who took it back. Entries are only ever added.</p>
    <form class="filters" method="get" aria-label="Which entries">
        <label><span class="sm">What</span><select class="input" name="act"><option value="">Both</option><option value="granted" @selected($asked['act'] === 'granted')>agreed</option><option value="withdrawn" @selected($asked['act'] === 'withdrawn')>took back</option></select></label>
        <label><span class="sm">To</span><select class="input" name="scope"><option value="">Either</option><option value="all" @selected($asked['scope'] === 'all')>all texts</option><option value="marketing" @selected($asked['scope'] === 'marketing')>offers</option></select></label>
        <label><span class="sm">Order</span><select class="input" name="order"><option value="newest">Newest first</option><option value="oldest" @selected($asked['order'] === 'oldest')>Oldest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    <p class="mb-1"><x-export /></p>
    @if ($entries->isEmpty())
        <x-empty>No entries here. They are made when somebody texts STOP or START, and when a file or form states what they agreed to.</x-empty>
    @else
        <div class="table-wrap"><table class="table dense">
            <thead><tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">Number</th><th scope="col">What</th><th scope="col">The proof</th></tr></thead>
            <tbody>@foreach ($entries as $entry)<tr><td class="whitespace-nowrap">@time($entry->at, 'j M Y H:i')</td><td class="whitespace-nowrap"><a class="link" href="{{ route('people.show', $entry->person_id) }}">{{ $entry->person->name() }}</a></td><td class="whitespace-nowrap">{{ \Linnet\Core\Number\Numbers::pretty($entry->number) }}</td>
                <td class="whitespace-nowrap"><x-tone :tone="$entry->act === 'withdrawn' ? 'bad' : 'well'" :icon="$entry->act === 'withdrawn' ? 'ban' : 'check'">{{ $entry->act === 'withdrawn' ? 'took back' : 'agreed' }}: {{ $entry->scope === 'all' ? 'all texts' : 'offers' }}</x-tone></td><td>{{ $entry->how === 'text' ? 'texted ' : '' }}{{ Str::limit($entry->wording, 160) }}</td></tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$entries" />
    @endif
</x-page>
