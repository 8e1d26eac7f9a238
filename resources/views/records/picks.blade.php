@foreach ($picks as [$value, $label])<option value="{{ $value }}">{{ $label }}</option>@endforeach
