<x-bare :title="$form->name" :brand="$business->name">
    @if (session('sent'))
        <div class="note plain" role="status">
            <p>{{ $form->thanks ?? 'Thank you. It has come.' }}</p>
            @if (session('asks'))<p class="mt-2">Should a text from us ask whether it was you, answer YES to it, and you are on the list. If you have told us to stop before, text START to us first.</p>@endif
        </div>
    @else
        <form method="post" action="{{ route('forms.send', $form) }}">
            @csrf
            <x-field name="name" label="Your first name"><input class="input w-full" name="name" value="{{ old('name') }}" autocomplete="given-name" maxlength="80"></x-field>
            <x-field name="number" label="Your mobile number">
                <input class="input w-full" type="tel" name="number" value="{{ old('number') }}" autocomplete="tel" required @error('number') aria-invalid="true" aria-describedby="number-error" @enderror>
            </x-field>
            <div hidden><label>Leave this empty <input name="website" tabindex="-1" autocomplete="off"></label></div>
            @if ($form->wording)
                <label class="flex gap-2 items-start mb-1"><input type="checkbox" class="tick mt-1" name="agrees" value="1" @checked(old('agrees') === '1')> <span>{{ $form->wording }}</span></label>
                <p class="soft sm mb-4">You can end it whenever you like: text STOP.@if ($form->confirmed_by_text) We ask once by text whether it was you.@endif</p>
                <x-error name="agrees" />
            @endif
            <button class="btn go">Send</button>
        </form>
    @endif
</x-bare>
