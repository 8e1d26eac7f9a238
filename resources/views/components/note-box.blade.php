@props(['person', 'conversation' => null])
<details class="note-box" @if ($errors->has('note')) open @endif>
    <summary class="link sm">Note to colleagues</summary>
    <form method="post" action="{{ route('people.notes.store', $person) }}">@csrf @if ($conversation)<input type="hidden" name="conversation" value="{{ $conversation }}">@endif
        <label class="sr-only" for="note">A note that only staff see</label>
        <textarea class="input w-full" id="note" name="note" rows="2" maxlength="2000" placeholder="Only staff see it. @ and a name tells them" @error('note') aria-invalid="true" aria-describedby="note-error" @enderror>{{ old('note') }}</textarea>
        <x-error name="note" />
        <p class="mt-1"><button class="btn small">Note it</button></p>
    </form>
</details>
