@php($was = fn (string $name): string => (string) ($typed[$name] ?? old($name, '')))
<x-bare :title="$form->name" :brand="$business->name" :style="$form->colour === null ? null : route('forms.colours', [$form, 'v' => substr($form->colour, 1)])">
    @if ($isSent)
        <div class="note plain" role="status">
            <p>{{ $form->thanks ?? 'Thank you. It has come.' }}</p>
            @if ($asks)<p class="mt-2">Should a text from us ask whether it was you, answer YES to it, and you are on the list. If you have told us to stop before, text START to us first.</p>@endif
        </div>
    @else
        <form method="post" action="{{ $isEmbedded ? route('forms.post', $form) : route('forms.send', $form) }}">
            @unless ($isEmbedded)@csrf @endunless
            <x-field name="name" label="Your first name"><input class="input w-full" name="name" value="{{ $was('name') }}" autocomplete="given-name" maxlength="80"></x-field>
            <x-field name="number" label="Your mobile number">
                <input class="input w-full" type="tel" name="number" value="{{ $was('number') }}" autocomplete="tel" required @error('number') aria-invalid="true" aria-describedby="number-error" @enderror>
            </x-field>
            @foreach ($asked as $one)
                @php([$name, $control] = [$one->input(), $one->control()])
                @if ($control === 'checkbox')
                    <label class="flex gap-2 items-start mb-3"><input type="checkbox" class="tick mt-1" name="{{ $name }}" value="yes" @checked($was($name) === 'yes')> <span>{{ $one->label }}</span></label><x-error :name="$name" />
                @else
                    <div class="field"><label class="label" for="{{ $name }}">{{ $one->label }}{{ $one->isRequired ? '' : ' (if you like)' }}</label>
                        @if ($control === 'textarea')<textarea class="input w-full" rows="3" id="{{ $name }}" name="{{ $name }}" maxlength="500" @required($one->isRequired) @error($name) aria-invalid="true" @enderror>{{ $was($name) }}</textarea>
                        @elseif ($control === 'select')<select class="input w-full" id="{{ $name }}" name="{{ $name }}" @required($one->isRequired)><option value=""></option>@foreach ($one->options as $option)<option value="{{ $option }}" @selected($was($name) === $option)>{{ $option }}</option>@endforeach</select>
                        @else<input class="input w-full" type="{{ $control }}" id="{{ $name }}" name="{{ $name }}" value="{{ $was($name) }}" maxlength="500" @required($one->isRequired) @error($name) aria-invalid="true" @enderror>@endif
                        <x-error :name="$name" /></div>
                @endif
            @endforeach
            <div hidden><label>Leave this empty <input name="website" tabindex="-1" autocomplete="off"></label></div>
            @if ($form->wording)
                <label class="flex gap-2 items-start mb-1"><input type="checkbox" class="tick mt-1" name="agrees" value="1" @checked($was('agrees') === '1')> <span>{{ $form->wording }}</span></label>
                <p class="soft sm mb-4">You can end it whenever you like: text STOP.@if ($form->confirmed_by_text) We ask once by text whether it was you.@endif</p>
                <x-error name="agrees" />
            @endif
            <button class="btn go">Send</button>
        </form>
    @endif
</x-bare>
