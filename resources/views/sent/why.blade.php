<x-page title="Why, and when">
    <div class="crumb"><a class="link" href="{{ route('sent.index') }}">Sent</a> / <a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a></div>
    <h1 class="mb-2">Why, and when</h1>
    <p class="mb-2 max-w-xl">{{ $text->body !== '' ? $text->body : '(no words yet)' }}</p>
    <p class="mb-2"><x-state :message="$text" /> <x-reason :reason="$text->reason" /></p>
    @fragment('why')<x-why :message="$text" />@endfragment
</x-page>
