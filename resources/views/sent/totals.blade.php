@php use App\Clock\TimeFormatter; @endphp
{{ ucfirst(TimeFormatter::number((float) $total->texts)) }} {{ (int) $total->texts === 1 ? 'text' : 'texts' }}, {{ TimeFormatter::number((float) $total->gone) }} of them gone out, {{ TimeFormatter::number((float) $total->parts) }} {{ (int) $total->parts === 1 ? 'part' : 'parts' }}, {{ TimeFormatter::price((int) $total->micros, $currency) }}.
