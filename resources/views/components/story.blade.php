@props(['story', 'sought' => null])
<div class="log">
    @foreach ($story->days as $day => $entries)
        <div class="day">{{ $day }}</div>
        @foreach ($entries as $entry)
            <div @class(['entry', 'sought' => $sought !== null && $entry->message?->id === $sought]) @if ($entry->message) id="text-{{ $entry->message->id }}" @endif>
                @if ($entry->note !== null)
                    <div class="at">@time($entry->at)</div>
                    <div class="note">{{ $entry->note->words }}<div class="by">{{ $entry->note->handedTo ? 'handed to '.$entry->note->handedTo->name.' by' : 'noted by' }} {{ $entry->note->staff?->name ?? 'somebody' }}, for colleagues only @if ($entry->note->staff_id === auth()->id())<form class="inline" method="post" action="{{ route('notes.destroy', $entry->note) }}">@csrf @method('delete')<button class="link sm">Take it away</button></form>@endif</div></div>
                @elseif ($entry->message === null)
                    <div class="at">@time($entry->at)</div>
                    <div class="event">@if ($entry->within !== [])<details><summary><span class="link">{{ $entry->says }}</span></summary>@foreach ($entry->within as $one)<p>{{ $one->says }}</p>@endforeach</details>@else{{ $entry->says }}@endif @if ($entry->rule) @can('view')<a class="link" href="{{ route('rules.show', $entry->rule) }}">{{ $entry->rule->name }}</a>@else{{ $entry->rule->name }}@endcan @endif</div>
                @elseif ($entry->message->isInbound())
                    <div class="at"><b class="text-ink">@time($entry->at)</b></div>
                    <div class="in">{{ $entry->message->body }}</div>
                @else
                    <div class="at">@time($entry->at)<br>@state($entry->message, 'justify-end')</div>
                    <div class="out">@if ($entry->message->picture)<img class="picture" src="{{ $entry->message->picture }}" alt="The picture that went with it" loading="lazy">@endif{{ $entry->message->body }}<div class="by">@if ($entry->message->colleague()) to {{ $entry->message->colleague() }}, @endif from the {{ $entry->message->line->name }}, <x-by :message="$entry->message" /> @if ($entry->message->rule_id !== null) @can('view') · <a class="link" href="{{ route('messages.show', $entry->message) }}">why</a>@endcan @endif @if ($entry->message->reason) · {{ \App\Sentences\Sentence::of($entry->message->reason) }}@endif</div></div>
                @endif
            </div>
        @endforeach
    @endforeach
</div>
