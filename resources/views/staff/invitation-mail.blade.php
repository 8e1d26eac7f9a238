Hello {!! $called !!},

{!! $business !!} sends its texts with Linnet, and you are to work with it. Choose a password here:

{!! $link !!}

The link works once, and for {{ $days }} days. Should you not know what this is about, do nothing.
