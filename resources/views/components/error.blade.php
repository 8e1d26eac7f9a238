@props(['name'])
@error($name)
    <span class="error" role="alert" id="{{ $name }}-error"><x-icon name="circle-alert" /><span>{{ $message }}</span></span>
@enderror
