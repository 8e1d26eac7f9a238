@forelse ($texts as $text)
    <button class="kept" type="button" hx-get="{{ route('kept-texts.fill', array_filter(['person' => $person, 'kept' => $text, 'record' => $record])) }}" hx-include="#text,[name=line],[name=number]" hx-target="#text-field" hx-swap="outerHTML"><b>{{ $text->name }}</b> <span class="soft"><x-words :words="$text->template()" :tokens="$tokens" /></span></button>
@empty
    <p class="soft sm">None. <a class="link" href="{{ route('kept-texts.index') }}">Keep one</a></p>
@endforelse
