<x-page title="Ahead, {{ \App\Pages\Ahead\HourField::says($day->date) }}">
    <div class="crumb"><a class="link" href="{{ route('ahead', ['at' => $day->date]) }}">Ahead</a> /</div>
    <div class="head">
        <div><h1>{{ \App\Pages\Ahead\HourField::says($day->date) }}</h1><p class="soft">What may leave, as things stand, if nobody answers and nothing moves. Times are those of {{ \App\Clock\TimeFormatter::place($day->zone) }}.</p></div>
        <div class="acts" x-data="printer"><button class="btn" type="button" x-on:click="print">Print</button></div>
    </div>
    @if ($texts->isEmpty())
        <x-empty>Nothing will leave on this day, as things stand. <a class="link" href="{{ route('ahead') }}">Look at the two weeks</a>.</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">When</th><th scope="col">To</th><th scope="col">Text</th><th scope="col">By</th></tr></thead>
            <tbody>
            @foreach ($texts as $text)
                <tr>
                    <td class="whitespace-nowrap">@time($text->leaves_at)</td>
                    <td class="whitespace-nowrap"><a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a><br><span class="soft sm">{{ $text->person->number ? \Linnet\Core\Number\Numbers::pretty($text->person->number->e164) : '' }}</span></td>
                    <td class="max-w-md">{{ $text->body }}</td>
                    <td>@if ($text->rule)<a class="link" href="{{ route('rules.show', $text->rule_id) }}">{{ $text->rule->name }}</a>, text {{ $text->letter }}@else{{ $text->scheduled?->staff->name }}@endif<br><span class="soft sm">from the {{ $text->line?->name }}</span></td>
                </tr>
            @endforeach
            </tbody>
        </table></div>
        <x-pages :list="$texts" />
    @endif
</x-page>
