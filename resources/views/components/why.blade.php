@props(['message'])
@if ($message->verdicts)<x-verdicts :verdicts="$message->verdicts" />@endif
<ul class="gate plain">
    <li>Wanted <x-time :at="$message->wanted_at" format="D j M H:i:s" />.</li>
    @if ($message->left_at)<li>Let go <x-time :at="$message->left_at" format="D j M H:i:s" />.</li>@endif
    @if ($message->handed_at)<li>Handed to the carrier <x-time :at="$message->handed_at" format="D j M H:i:s" />@if ($message->carrier_ref), who calls it {{ $message->carrier_ref }}@endif{{ $message->attempts > 1 ? ", on try $message->attempts" : '' }}.</li>@endif
    @if ($message->status_at)<li>The carrier’s last word came <x-time :at="$message->status_at" format="D j M H:i:s" />.</li>@endif
    @if ($message->encoding)<li>{{ $message->encoding === 'UCS-2' ? 'Sent in the wider alphabet (UCS-2), with room for 70 characters.' : 'Sent in the plain alphabet (GSM-7), with room for 160 characters.' }}</li>@endif
</ul>
