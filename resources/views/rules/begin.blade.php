<x-page title="A new rule">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> /</div>
    <h1>A new rule</h1>
    <p class="soft mb-4">It begins with what starts it. Linnet offers how to go on; what you write is what it will do.</p>
    <details class="mb-5 max-w-3xl" @if (str_contains(old('text', ''), "\n")) open @endif>
        <summary class="link sm">Paste the sentences of a whole rule</summary>
        <form class="mt-2" method="post" action="{{ route('rules.begin.store') }}">@csrf
            <label class="sr-only" for="whole">The sentences of a whole rule</label>
            <textarea class="input w-full font-mono text-[13px]" id="whole" name="text" rows="14" spellcheck="false">{{ str_contains(old('text', ''), "\n") ? old('text') : '' }}</textarea>
            <button class="btn mt-2">Make the rule</button>
        </form>
    </details>
    <form class="line-form beginning" method="post" action="{{ route('rules.begin.store') }}" x-data="writeLine" data-completions="{{ route('rules.begin.completions') }}" data-which="beginning" data-stays>
        @csrf
        <div>
            <label class="label" for="beginning">What starts it</label>
            <div class="writing-line prose !pl-0">
                <input class="input" id="beginning" name="text" value="{{ str_contains(old('text', ''), "\n") ? '' : old('text') }}" autocomplete="off" autocapitalize="off" spellcheck="false" autofocus placeholder="When a booking comes in" role="combobox" aria-autocomplete="list" aria-expanded="false" aria-controls="beginning-list" x-ref="text" x-on:input="typed" x-on:keydown="key" x-on:focus="look" x-on:paste="paste" @error('text') aria-invalid="true" aria-describedby="text-error" @enderror>
                <ul class="offers" id="beginning-list" role="listbox" aria-label="What may come next" x-ref="list" x-on:mousedown.prevent="pick" hidden></ul>
            </div>
            @error('text')<div class="error" role="alert" id="text-error"><x-icon name="circle-alert" /><div>@foreach ($errors->get('text') as $error)<p>{{ $error }}</p>@endforeach</div></div>@enderror
        </div>
        <div>
            <label class="field"><span>Name (it can be changed later)</span><input class="input w-full" name="name" value="{{ old('name') }}" maxlength="120"></label>
            <div class="acts-row"><button class="btn go">Begin the rule</button></div>
            <p class="soft sm mt-4"><kbd>Tab</kbd> completes · <kbd>Enter</kbd> keeps · <kbd>Esc</kbd> closes the list · or <a class="link" href="{{ route('rules.starters') }}">begin with a starter</a></p>
        </div>
    </form>
</x-page>
