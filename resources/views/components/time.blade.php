@props(['at', 'format' => 'H:i'])
<time datetime="{{ $at->format(DATE_ATOM) }}">{{ $at->setTimezone(new DateTimeZone($business->zone))->format($format) }}</time>