<x-page :title="$did->says()">
    <div class="crumb"><a class="link" href="{{ route('safeguards.index') }}">Safeguards</a> /</div>
    <h1>{{ $did->says() }}</h1>
    <p class="soft mb-3">In the last 30 days, the newest first. One text may have been held more than once.</p>
    @if ($traces->isEmpty())
        <x-empty>Nothing.</x-empty>
    @else
        <div class="table-wrap"><table class="table"><thead><tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">Rule</th><th scope="col">Why</th><th scope="col">Text</th></tr></thead><tbody>
            @foreach ($traces as $trace)<tr><td class="whitespace-nowrap">@time($trace->at, 'D j M H:i')</td><td class="whitespace-nowrap">@if ($person = $people[$trace->person_id] ?? null)<a class="link" href="{{ route('people.show', $person) }}">{{ $person->name() }}</a>@else–@endif</td><td>@if ($trace->rule)<a class="link" href="{{ route('rules.show', $trace->rule_id) }}">{{ $trace->rule->name }}</a>@else–@endif</td><td class="max-w-md">{{ \App\Sentences\Sentence::of(['code' => $trace->code, 'with' => $trace->with]) }}</td><td>@if ($trace->message_id)<a class="link whitespace-nowrap" href="{{ route('messages.show', $trace->message_id) }}">look at it</a>@else–@endif</td></tr>@endforeach
        </tbody></table></div>
        <x-pages :list="$traces" />
    @endif
</x-page>
