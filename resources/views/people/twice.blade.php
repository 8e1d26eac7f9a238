@php use App\Merging\Alike; @endphp
<x-page title="Here twice?">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> /</div>
    <h1>Who may be here twice?</h1>
    <p class="soft mb-3">Entries that may be of one person. Look at both: they are put together, or told apart and not asked about again.</p>
    <nav class="tabs mb-3" aria-label="What is alike">@foreach (Alike::cases() as $one)<a href="{{ route('people.twice', ['by' => $one->value]) }}" @if ($one === $by) aria-current="true" @endif>{{ ucfirst($one->word()) }}</a>@endforeach</nav>
    <div hx-get="{{ route('people.twice.list', ['by' => $by->value, 'page' => $page]) }}" hx-trigger="load" aria-live="polite"><p class="soft">Looking for them…</p></div>
</x-page>
