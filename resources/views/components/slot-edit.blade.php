@props(['one', 'page'])
@php($place = str_replace('.', '-', $one->target))
@php($form = "clean-$place")
<div class="change-box" x-data="steps">
    @foreach ($one->steps as $i => $step)
        <div class="flex gap-2 items-baseline mb-1"><span class="sm">{{ $i + 1 }}. {{ $step['says'] }} → <b>{{ $step['result'] === '' ? '–' : $step['result'] }}</b></span><button class="link sm" form="unclean-{{ $i }}-{{ $place }}">take out</button></div>
    @endforeach
    @if ($one->taken->at?->isMany())
        <div class="flex gap-2 items-end mb-2"><label><span class="label">Of several values</span><select class="input" form="fold-{{ $place }}" name="fold">@foreach (\Linnet\Core\Intake\Fold::cases() as $fold)<option value="{{ $fold->value }}" @selected($fold === $one->taken->fold)>{{ ['first' => 'the first', 'last' => 'the last', 'count' => 'how many', 'sum' => 'added up', 'joined' => 'joined'][$fold->value] }}</option>@endforeach</select></label><button class="btn small" form="fold-{{ $place }}">Change</button></div>
    @endif
    <label><span class="label">Add a step</span>
        <select class="input" form="{{ $form }}" name="do" x-on:change="pick">
            @foreach (['map' => 'put their words into ours', 'date' => 'a date written…', 'unix' => 'time since 1970', 'number' => 'a number written…', 'cut' => 'cut at a mark', 'find' => 'find inside a longer text', 'phone' => 'a number of another country', 'empty_words' => 'words that mean nothing', 'letters' => 'capitals and small letters'] as $do => $says)<option value="{{ $do }}">{{ $says }}</option>@endforeach
        </select></label>
    <div class="step-fields">
        <div data-step="map"><label><span class="label">A line each: theirs = ours</span><textarea class="input w-full" rows="3" form="{{ $form }}" name="values" placeholder="{{ is_scalar($one->followed?->raw) ? $one->followed->raw : 'theirs' }} = {{ $one->field->options[0] ?? 'ours' }}"></textarea></label>
            @if ($one->field->options !== [])<p class="soft sm">Ours: {{ implode(', ', $one->field->options) }}</p>@endif
            <label><span class="label">Anything else</span><select class="input" form="{{ $form }}" name="otherwise"><option value="keep">stays as it is</option><option value="nothing">is nothing</option><option value="refuse">is refused</option></select></label></div>
        <div data-step="date" hidden><label><span class="label">Written like</span><select class="input" form="{{ $form }}" name="order">@foreach (\Linnet\Core\Intake\DateOrder::cases() as $order)<option value="{{ $order->value }}">{{ $order->example() }}</option>@endforeach</select></label><label><span class="label">By the clock of (if it does not say)</span><input class="input w-44" form="{{ $form }}" name="zone" placeholder="{{ $page->mapping->place->zone }}"></label></div>
        <div data-step="unix" hidden><label><span class="label">Counted in</span><select class="input" form="{{ $form }}" name="unit"><option value="seconds">seconds</option><option value="milliseconds">milliseconds</option></select></label></div>
        <div data-step="number" hidden><label><span class="label">Before the decimals stands</span><select class="input" form="{{ $form }}" name="decimal"><option value=".">a point: 1,234.50</option><option value=",">a comma: 1.234,50</option></select></label><label><span class="label">Divided by (100 for pence)</span><input class="input w-24" type="number" min="1" form="{{ $form }}" name="divide" value="1"></label></div>
        <div data-step="cut" hidden><label><span class="label">The mark (empty: a space)</span><input class="input w-20" form="{{ $form }}" name="mark"></label><label><span class="label">Keep what stands</span><select class="input" form="{{ $form }}" name="keep"><option value="before">before it</option><option value="after">after it</option></select></label></div>
        <div data-step="find" hidden><label><span class="label">Find</span><select class="input" form="{{ $form }}" name="what"><option value="phone">a telephone number</option><option value="email">an email address</option><option value="link">a link</option><option value="number">a number</option></select></label></div>
        <div data-step="phone" hidden><label><span class="label">Country, two letters</span><input class="input w-20" form="{{ $form }}" name="country" maxlength="2" placeholder="IE"></label></div>
        <div data-step="empty_words" hidden><label><span class="label">A line each</span><textarea class="input w-full" rows="2" form="{{ $form }}" name="words" placeholder="none"></textarea></label></div>
        <div data-step="letters" hidden><label><span class="label">Make it</span><select class="input" form="{{ $form }}" name="as"><option value="title">Each Word With A Capital</option><option value="lower">small letters</option><option value="upper">CAPITALS</option></select></label></div>
    </div>
    <div class="flex gap-3 mt-2"><button class="btn small" form="{{ $form }}">Add the step</button><button class="link sm" form="drop-{{ $place }}">Take the value off this field</button></div>
</div>
