@php use App\Clock\TimeFormatter; @endphp
<div class="note mt-2" role="status">
    @if ($wrong !== null)
        <p>{{ $wrong }}</p>
    @elseif ($effect->texts === 0)
        <p>Nothing is coming that it would change.</p>
    @else
        <p><b>Of {{ TimeFormatter::count($effect->texts, 'text that is coming', 'texts that are coming') }}{{ $effect->people >= $effect::PEOPLE ? ' for the next '.$effect::PEOPLE.' people' : '' }},</b>
            @if ($effect->later === [] && $effect->earlier === [] && $effect->never === [])none would leave at another moment.@else{{ implode(', ', array_filter([$effect->later === [] ? '' : number_format(count($effect->later)).' would leave later', $effect->earlier === [] ? '' : number_format(count($effect->earlier)).' earlier', $effect->never === [] ? '' : number_format(count($effect->never)).' not within two weeks, or never'])) }}.@endif</p>
        @foreach ($effect->shown() as $one)
            <p class="sm mt-1">{{ $one['text']->text->to->who }}: {{ $one['was'] === null ? 'would wait' : TimeFormatter::momentIn($one['was'], $business->zone) }} → {{ $one['text']->leavesAt === null || $one['how'] === 'not at all' ? 'not in sight' : TimeFormatter::momentIn($one['text']->leavesAt, $business->zone) }}. <span class="soft">{{ Str::limit($one['text']->text->composed->body ?? '', 70) }}</span></p>
        @endforeach
    @endif
    @unless ($wrong)<p class="soft sm mt-1">As things stand, and if nobody answers. Nothing is changed yet.</p>@endunless
</div>
