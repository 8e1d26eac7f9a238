@props(['text', 'page'])
<div class="handset">
    <div class="who"><span>{{ ($line = $page->lineOf($text)) ? ($line->number === null ? '' : \Linnet\Core\Number\Numbers::pretty($line->number).', ').$line->name : 'no line' }}</span><span>{{ $text->leavesAt ? $text->leavesAt->setTimezone(new DateTimeZone($page->receiver->zone))->format('D j, H:i') : 'not sent' }}</span></div>
    <div class="says">{{ $text->composed?->body ?? ($text->setAside ? \App\Sentences\Sentence::of($text->setAside) : 'All its wordings are used up.') }}</div>
</div>
@foreach ($text->judgements as $judgement)
    @if ($loop->first || $loop->last)<x-verdicts :verdicts="$loop->first && ! $loop->last ? array_slice($judgement->toArray(), -1) : $judgement->toArray()" />@endif
@endforeach
