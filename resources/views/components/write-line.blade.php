@props(['page', 'do', 'at', 'depth', 'which', 'text', 'failed', 'label'])
@php($id = "$do-$at-$depth")
<form class="line-form" method="post" action="{{ route('rules.sentences', $page->query()) }}" x-data="writeLine" data-completions="{{ route('rules.completions', $page->query()) }}" data-which="{{ $which }}"
    hx-post="{{ route('rules.sentences', $page->query()) }}" hx-target="#rule" hx-swap="outerHTML">
    @csrf
    <input type="hidden" name="do" value="{{ $do }}"><input type="hidden" name="line" value="{{ $at }}"><input type="hidden" name="depth" value="{{ $depth }}"><input type="hidden" name="which" value="{{ $which }}"><input type="hidden" name="base" value="{{ $page->base() }}">
    <label class="sr-only" for="{{ $id }}">{{ $label }}</label>
    <div class="writing-line">
        @if (str_contains($text, "\n"))
            <textarea class="input" id="{{ $id }}" name="text" rows="{{ min(14, substr_count($text, "\n") + 1) }}" x-ref="text" @if ($failed) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif>{{ $text }}</textarea>
        @else
            <input class="input" id="{{ $id }}" name="text" value="{{ $text }}" autocomplete="off" autocapitalize="off" spellcheck="false" role="combobox" aria-autocomplete="list" aria-expanded="false" aria-controls="{{ $id }}-list" x-ref="text" x-on:input="typed" x-on:keydown="key" x-on:focus="look" x-on:paste="paste"
                @if ($failed) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif>
        @endif
        <ul class="offers" id="{{ $id }}-list" role="listbox" aria-label="What may come next" x-ref="list" x-on:mousedown.prevent="pick" hidden></ul>
    </div>
    @if ($failed)
        <p class="error" role="alert" id="{{ $id }}-error"><x-icon name="circle-alert" />{{ $failed->says() }}</p>
        @php($error = $failed->errors[0] ?? null)
        @if ($error !== null && ($error->reason->with['understood'] ?? '') !== '')<p class="sm soft">Understood up to here: <b>{{ $error->reason->with['understood'] }}</b></p>@endif
    @endif
    <div class="acts-row"><button class="btn small go">{{ $do === 'insert' ? 'Keep this sentence' : 'Keep it so' }}</button>{{ $slot }}</div>
</form>
