@props(['receiver'])
@if ($receiver->number === null)
    <p><x-tone tone="bad" icon="ban"><b>No: there is no number.</b></x-tone></p>
@elseif ($receiver->optedOut)
    <p><x-tone tone="bad" icon="ban"><b>No. {{ $receiver->who }} has said stop.</b></x-tone></p>
    <p class="soft sm">Nobody and nothing can text this number until they text START.</p>
@elseif (! $receiver->kind->takesTexts())
    <p><x-tone tone="held" icon="ban"><b>No: texts do not arrive there.</b></x-tone></p>
    <p class="soft sm">{{ $receiver->kind->value === 'landline' ? 'The number is a landline.' : 'The number is neither a mobile nor a landline.' }}</p>
@elseif ($receiver->alive === false)
    <p><x-tone tone="held" icon="ban"><b>No: nobody has this number.</b></x-tone></p>
    <p class="soft sm">So the number lookup said. Put in another number, or look it up again.</p>
@else
    <p><x-tone tone="well"><b>Yes, about what they asked for.</b></x-tone></p>
    <p class="soft sm">{{ $receiver->optedIn ? 'Yes to offers too.' : 'No to offers: never asked for them.' }}</p>
@endif
