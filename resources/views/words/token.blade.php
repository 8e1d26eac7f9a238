@php($node = $one->node)
@php($missing = $node instanceof \Linnet\Core\Text\Template\Node\MergeField ? match ($node->fallback()) { null => 'error', '' => 'nothing', default => 'words' } : '')
<div class="token-choices" data-whole="{{ $node->written() }}" data-says="{{ $tokens->says($node) }}" role="group" aria-label="What is filled in">
    <p class="mb-2">@if ($one->result() !== '')For {{ $one->page->who() }} this says <b>{{ $one->result() }}</b>.@elseif ($one->page->who() !== null)<span class="tone held"><x-icon name="clock" />It is empty for {{ $one->page->who() }}{{ $missing === 'error' ? ', who would get no text for that' : '' }}.</span>@endif</p>
    @if ($node instanceof \Linnet\Core\Text\Template\Node\MergeField || $node instanceof \Linnet\Core\Text\Template\Node\Link)
        <label><span class="label">{{ $node instanceof \Linnet\Core\Text\Template\Node\Link ? 'A short link to' : 'What is filled in' }}</span><select class="input" name="path">@foreach ($fillings->fields() + [$node->path => $tokens->field($node->path)] as $path => $says)<option value="{{ $path }}" @selected($path === $node->path)>{{ $says }}</option>@endforeach</select></label>
    @elseif ($node instanceof \Linnet\Core\Text\Template\Node\Code)
        <label><span class="label">A code from the list</span><select class="input" name="list">@foreach (array_unique([...\App\Pages\Words\Fillings::codes(), $node->list]) as $list)<option @selected($list === $node->list)>{{ $list }}</option>@endforeach</select></label>
    @elseif ($node instanceof \Linnet\Core\Text\Template\Node\Pick)
        <label><span class="label">One of these, a line each, by chance</span><textarea class="input" name="choices" rows="{{ min(8, count($node->choices) + 1) }}">{{ implode("\n", $node->choices) }}</textarea></label>
    @endif
    @if ($node instanceof \Linnet\Core\Text\Template\Node\MergeField)
        <fieldset><legend class="label">Where it is empty</legend>
            <label><input type="radio" name="missing" value="words" @checked($missing === 'words')> say <input class="input w-36 !min-h-0" name="fallback" value="{{ $node->fallback() }}" aria-label="What it says instead"></label>
            <label><input type="radio" name="missing" value="nothing" @checked($missing === 'nothing')> say nothing there</label>
            <label><input type="radio" name="missing" value="error" @checked($missing === 'error')> hold the text, for somebody to look at</label>
        </fieldset>
        @php($formats = $one->formats())
        @if ($formats !== [])
            <fieldset><legend class="label">How it is written</legend>
                <label><input type="radio" name="as" value="" @checked($node->format() === null)> as usual <span class="soft">{{ $one->plain() }}</span></label>
                @foreach ($formats as $format => $result)<label><input type="radio" name="as" value="{{ $format }}" @checked($node->format() === $format)> {{ $format }} <span class="soft">{{ $result }}</span></label>@endforeach
            </fieldset>
        @endif
        <div class="flex gap-3 flex-wrap">
            <label><span class="label">Letters</span><select class="input" name="letters">@foreach (['' => 'as they are', 'upper' => 'CAPITALS', 'lower' => 'small letters', 'title' => 'Each Word'] as $letters => $says)<option value="{{ $letters }}" @selected($one->letters() === $letters)>{{ $says }}</option>@endforeach</select></label>
            <label><span class="label">At most so many characters</span><input class="input w-24" type="number" min="0" max="9999" name="limit" value="{{ $one->limit() }}"></label>
        </div>
    @endif
    <div class="flex gap-2 mt-3"><button class="btn small go" type="button" data-act="done">Done</button><button class="btn small" type="button" data-act="out">Take it out</button></div>
</div>
