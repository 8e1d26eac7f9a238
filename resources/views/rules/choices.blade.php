@php($kind = $piece['part']->kind)
@php($value = $piece['part']->value)
@php($action = route('rules.sentences', $page->query()))
@php($typed = in_array($kind, ['time', 'date', 'span', 'number', 'money', 'words', 'keyword', 'tag', 'list', 'label', 'outcome', 'picture', 'web address', 'mail address', 'rule', 'form', 'pool', 'choice', 'step'], true))
<div class="choose" role="dialog" aria-label="What can stand here" x-data="choose" x-on:keydown="key">
    <form method="post" action="{{ $action }}" hx-post="{{ $action }}" hx-target="#rule" hx-swap="outerHTML">@csrf
        <input type="hidden" name="do" value="word"><input type="hidden" name="line" value="{{ $line->number }}"><input type="hidden" name="base" value="{{ $page->base() }}">
        <input type="hidden" name="before" value="{{ $piece['before'] }}"><input type="hidden" name="after" value="{{ $piece['after'] }}">
        @if ($choices !== [])
            <div class="list">@foreach ($choices as $choice)<button class="choice" name="text" value="{{ $choice }}" @if ($choice === $piece['part']->text) aria-current="true" @endif>{{ $choice }}</button>@endforeach</div>
        @endif
    </form>
    @if ($typed || $choices === [])
        <form class="row mt-2" method="post" action="{{ $action }}" hx-post="{{ $action }}" hx-target="#rule" hx-swap="outerHTML">@csrf
            <input type="hidden" name="do" value="word"><input type="hidden" name="line" value="{{ $line->number }}"><input type="hidden" name="base" value="{{ $page->base() }}">
            <input type="hidden" name="before" value="{{ $piece['before'] }}"><input type="hidden" name="after" value="{{ $piece['after'] }}">
            <label><span class="label">{{ $kind === 'time' ? 'Another time' : ($kind === 'date' ? 'Another day' : 'Or write it') }}</span>
            @if ($kind === 'time')<input class="input" type="time" name="text" value="{{ $value }}" required>
            @elseif ($kind === 'date')<input class="input" type="date" name="text" value="{{ $value }}" required>
            @else<input class="input w-60" name="text" value="{{ $piece['part']->text }}" required>@endif</label>
            <button class="btn small go">Put it there</button>
        </form>
    @endif
    <p class="sm soft mt-2"><button class="link" type="button" data-rewrite="{{ $line->number }}">Write the whole sentence otherwise</button></p>
</div>
