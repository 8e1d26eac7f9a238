<div id="text-field">
    <label class="sr-only" for="text">Write to {{ $who }}</label>
    <textarea id="text" name="text" rows="{{ $rows }}" placeholder="Write to {{ $who }}" @disabled($stopped)
        hx-post="{{ route('measure') }}" hx-trigger="{{ (string) $value === '' ? '' : 'load, ' }}input changed delay:200ms" hx-target="#measure" @error('text') aria-invalid="true" aria-describedby="text-error" @enderror>{{ $value }}</textarea>
    @if ($wrong)<p class="error" role="alert"><x-icon name="circle-alert" />{{ $wrong }}</p>@endif
    <x-error name="text" />
</div>
