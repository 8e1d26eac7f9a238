@props(['text', 'whose' => true, 'dated' => false, 'late' => false])
<article class="coming-text">
    <p class="top"><b>@if ($text->leaves_at)<x-time :at="$text->leaves_at" format="{{ $dated ? 'D j M H:i' : 'H:i' }}" />@else not yet @endif</b>
        @if ($late)<x-tone tone="bad">late</x-tone>@endif
        @if ($whose)<a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a>@endif
        <span class="soft sm">@can('view')<a class="link" href="{{ route('rules.show', $text->rule_id) }}">{{ $text->rule->name }}</a>@else{{ $text->rule->name }}@endcan, text {{ $text->letter }}@if ($text->line), from the {{ $text->line->name }}@endif{{ $text->leaves_at && $text->zone !== $business->zone ? ', '.$text->leaves_at->setTimezone($text->zone)->format('D H:i').' for them ('.\App\Clock\TimeFormatter::place($text->zone).')' : '' }}</span></p>
    <p class="words">{{ $text->body }}</p>
    @if ($text->reason)<p class="sm held">{{ \App\Sentences\Sentence::of($text->reason) }}</p>@endif
    @if ($text->hangs_on !== [])<p class="sm soft">{{ ucfirst(implode('; ', array_map(\App\Sentences\Sentence::of(...), $text->hangs_on))) }}.</p>@endif
    @if ($text->message_id)
        @can('view')
            <p class="acts sm"><a class="link" href="{{ route('messages.why', $text->message_id) }}">Why</a>
                @can('administer')
                    <form method="post" action="{{ route('messages.ask-again', $text->message_id) }}">@csrf<button class="link sm">Try again now</button></form>
                    <form method="post" action="{{ route('messages.drop', $text->message_id) }}">@csrf<button class="link sm">Do not send it</button></form>
                @endcan
            </p>
        @endcan
    @endif
</article>
