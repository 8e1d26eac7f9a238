@props(['text', 'whose' => true, 'dated' => false, 'late' => false])
@if ($text->scheduled_text_id)
<x-scheduled-text :text="$text" :whose="$whose" :dated="$dated" :late="$late" />
@else
@php
    $own = $text->own ?? [];
    $store = route('people.text.store', $text->person_id);
    $which = ['person' => $text->person_id, 'rule' => $text->rule_id, 'record' => $text->record_id, 'which' => $text->name];
    $wrong = $errors->has('at') && old('which') === $text->name && (int) old('rule') === $text->rule_id && (int) old('person') === $text->person_id;
    $at = ($text->leaves_at ?? $text->wanted_at)->setTimezone($business->zone)->format('Y-m-d\TH:i');
@endphp
<article class="coming-text">
    <p class="top"><b>@if ($text->left_out) not sent @elseif ($text->leaves_at)@time($text->leaves_at, $dated ? 'D j M H:i' : 'H:i')@else not yet @endif</b>
        @if ($late)<x-tone tone="bad">late</x-tone>@endif
        @if ($whose)<a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a>@endif
        <span class="soft sm">@can('view')<a class="link" href="{{ route('rules.show', $text->rule_id) }}">{{ $text->rule->name }}</a>@else{{ $text->rule->name }}@endcan, text {{ $text->letter }}@if ($text->line), from the {{ $text->line->name }}@endif{{ $text->leaves_at && $text->zone !== $business->zone ? ', '.$text->leaves_at->setTimezone($text->zone)->format('D H:i').' for them ('.\App\Clock\TimeFormatter::place($text->zone).')' : '' }}</span>
        @if (isset($own['words']) || isset($own['at']))<span class="personal">{{ isset($own['words']) ? 'made personal' : 'moved' }}{{ ($own['by'] ?? '') === '' ? '' : " by {$own['by']}" }}</span>@endif</p>
    <p @class(['words', 'gone' => $text->left_out])>{{ $text->body }}</p>
    @if ($text->reason)<p class="sm held">{{ \App\Sentences\Sentence::of($text->reason) }}</p>@endif
    @if ($text->hangs_on !== [])<p class="sm soft">{{ ucfirst(implode('; ', array_map(\App\Sentences\Sentence::of(...), $text->hangs_on))) }}.</p>@endif
    @can('view')
        <form class="acts sm" method="post" action="{{ $store }}" aria-label="What becomes of it">
            @can('converse')
                {{-- The first is what Enter in the field of Move does, and no other. --}}<button class="sr-only" name="do" value="move" tabindex="-1" aria-hidden="true">Move it</button>
                @csrf<input type="hidden" name="person" value="{{ $text->person_id }}"><input type="hidden" name="back" value="{{ request()->getRequestUri() }}"><x-which-text :text="$text" />
                @unless ($text->left_out)<a class="link" href="{{ route('people.text', $which) }}" hx-get="{{ route('people.text', $which) }}" hx-target="next .own-form" hx-swap="innerHTML">{{ isset($own['words']) ? 'Change the words' : 'Make it personal' }}</a>@endunless
                @if ($own !== [])<button class="link sm" name="do" value="undo">As it was</button>@endif
                @unless ($text->left_out)
                    <button class="link sm" name="do" value="skip">Skip</button>
                    @if ($text->run_id)<button class="link sm" name="do" value="now">Send now</button>@endif
                    <details @if ($wrong) open @endif><summary class="link">Move</summary>
                        <div class="flex gap-2 items-end flex-wrap mt-1"><label><span class="label">To ({{ \App\Clock\TimeFormatter::place($business->zone) }})</span><input class="input" type="datetime-local" name="at" value="{{ $wrong ? old('at') : $at }}" @if ($wrong) aria-invalid="true" @endif></label><button class="btn small" name="do" value="move">Move it</button></div>
                        @if ($wrong)<p class="error" role="alert"><x-icon name="circle-alert" />{{ $errors->first('at') }}</p>@endif
                    </details>
                @endunless
            @endcan
            @if ($text->message_id)<a class="link" href="{{ route('messages.show', $text->message_id) }}">Why</a>@endif
        </form>
        <div class="own-form"></div>
    @endcan
</article>
@endif
