@props(['value' => '', 'label' => 'Who belongs to it'])
<div x-data="writeLine" data-completions="{{ route('audiences.completions') }}" data-which="audience">
    <label class="label" for="sentence">{{ $label }}</label>
    <div class="writing-line prose !pl-0">
        <input class="input" id="sentence" name="sentence" value="{{ $value }}" autocomplete="off" autocapitalize="off" spellcheck="false" placeholder="everybody who has a booking whose start is within the next 7 days" role="combobox" aria-autocomplete="list" aria-expanded="false" aria-controls="sentence-list" x-ref="text" x-on:input="typed" x-on:keydown="key" x-on:focus="look" hx-get="{{ route('audiences.tried') }}" hx-trigger="input changed delay:400ms, focusout delay:100ms" hx-target="#sentence-count" hx-include="this" @error('sentence') aria-invalid="true" aria-describedby="sentence-error" @enderror>
        <ul class="offers" id="sentence-list" role="listbox" aria-label="What may come next" x-ref="list" x-on:mousedown.prevent="pick" hidden></ul>
    </div>
    <p class="soft sm mt-1 min-h-[1lh]" id="sentence-count" aria-live="polite"></p>
    @error('sentence')<p class="error" role="alert" id="sentence-error"><x-icon name="circle-alert" />{{ $message }}</p>@enderror
</div>
