@props(['text', 'page'])
<div class="handset">
    <div class="who"><span>{{ ($line = $page->lineOf($text)) ? ($line->number === null ? '' : \Linnet\Core\Number\Numbers::pretty($line->number).', ').$line->name : 'no line' }}</span><span>{{ $text->leavesAt ? $text->leavesAt->setTimezone(new DateTimeZone($page->receiver->zone))->format('D j, H:i') : 'not sent' }}</span></div>
    @php($picture = ($texting = $page->written->flow->step($text->step)) instanceof \Linnet\Core\Rule\Step\Texting ? $texting->outgoing()->picture : null)
    @if ($picture !== null)<figure class="picture-of mb-1"><img src="{{ $picture }}" alt="The picture that goes with this text" loading="lazy"></figure>@endif
    <div class="says">{{ $text->composed?->body ?? ($text->setAside ? \App\Sentences\Sentence::of($text->setAside) : 'All its wordings are used up.') }}</div>
</div>
@foreach ($text->judgements as $judgement)
    @if ($loop->first || $loop->last)<x-verdicts :verdicts="$loop->first && ! $loop->last ? array_slice($judgement->toArray(), -1) : $judgement->toArray()" />@endif
@endforeach
