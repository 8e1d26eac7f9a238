<x-page title="Words of its own">
    <div class="crumb"><a class="link" href="{{ route('people.show', $text->person_id) }}">{{ $text->person->name() }}</a> /</div>
    <h1>Words for {{ $page->receiver?->who ?? $text->person->name() }} alone</h1>
    <p class="soft mb-3">{{ $text->rule->name }}, text {{ $text->letter }}. Nobody else’s text changes.</p>
    @fragment('form')
    <div x-data="wording" class="letter">
        <form method="post" action="{{ route('people.text.store', $text->person_id) }}" x-show="editing" data-open="1">
            @csrf
            <input type="hidden" name="do" value="words"><input type="hidden" name="back" value="{{ $back }}">
            <x-which-text :text="$text" />
            <x-word-editor :id="'own-'.$text->id" :words="(string) old('text', $text->own['words'] ?? $text->template ?? $text->body)" :page="$page" :wrong="$errors->first('text') ?: null" label="The words of this text, for this person alone" />
        </form>
    </div>
    @endfragment
</x-page>
