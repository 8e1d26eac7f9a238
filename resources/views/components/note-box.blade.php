@props(['person', 'conversation' => null])
<details class="word" @if ($errors->has('note')) open @endif>
    <summary class="btn" title="Only staff see it">Note</summary>
    <form class="change" method="post" action="{{ route('people.notes.store', $person) }}">@csrf @if ($conversation)<input type="hidden" name="conversation" value="{{ $conversation }}">@endif
        <label><span class="label">A note that only staff see; @ and a name tells them</span>
            <textarea class="input w-full" name="note" rows="3" maxlength="2000" @error('note') aria-invalid="true" aria-describedby="note-error" @enderror>{{ old('note') }}</textarea></label>
        <x-error name="note" />
        <p class="mt-2"><button class="btn go">Note it</button></p>
    </form>
</details>
