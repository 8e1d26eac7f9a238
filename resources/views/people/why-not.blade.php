<x-page title="Why not">
    <div class="crumb"><a class="link" href="{{ route('people.show', $page->person) }}">{{ $page->person->name() }}</a> /@if ($page->record) <a class="link" href="{{ route('records.show', [$page->record->type, $page->record]) }}">{{ $page->record->called() }}</a> /@endif</div>
    <h1>{{ $page->rule->name }}, for {{ $page->person->name() }}</h1>
    <p class="soft mb-4"><a class="link" href="{{ route('rules.show', $page->rule) }}">{{ $page->begins() }}</a></p>
    <div class="two">
        <section>
            <h2 class="mb-1">What was decided about them</h2>
            @if ($page->decided() === [])
                <p class="soft">Nothing: the rule was never asked about {{ $page->person->name() }}{{ $page->record ? ' and this '.mb_strtolower($page->record->type->name) : '' }}. Nothing that begins it has happened since it was switched on.</p>
            @else
                <table class="table">@foreach ($page->decided() as $moment)<tr><td class="whitespace-nowrap w-36">@time($moment->at, 'D j M H:i')</td><td>{{ $moment->says }}</td></tr>@endforeach</table>
            @endif
            @if ($page->sent()->isNotEmpty())
                <h2 class="mt-5 mb-1">What it did send</h2>
                @foreach ($page->sent() as $text)<p class="mb-2">@time($text->at, 'D j M H:i') @state($text)<br><a class="link" href="{{ route('messages.show', $text) }}">{{ Str::limit($text->body !== '' ? $text->body : '(no words yet)', 120) }}</a>@if ($text->reason)<br><x-reason :reason="$text->reason" />@endif</p>@endforeach
            @endif
        </section>
        <aside>
            <h2 class="mb-1">If it were asked now</h2>
            @if ($page->now() === [])<p class="soft">It is a draft that was never published.</p>@endif
            <ul class="gate">@foreach ($page->now() as [$holds, $says])<li><span @class(['tone', $holds ? 'well' : 'bad'])><x-icon :name="$holds ? 'check' : 'x'" /></span><span>{{ $says }}</span></li>@endforeach</ul>
            <h2 class="mt-5 mb-1">What it may send yet</h2>
            @forelse ($page->coming() as $text)<x-coming-text :text="$text" :whose="false" dated />@empty<p class="soft">Nothing in the next two weeks, as things stand.</p>@endforelse
        </aside>
    </div>
</x-page>
