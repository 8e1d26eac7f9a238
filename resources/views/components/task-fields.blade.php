@props(['staff', 'task' => null])
{{-- What was sent in last stands in the form that was sent in, which is one to add. --}}
@php($zone = \App\Models\Business::current()->zone)
<label><span class="label">What is to be done</span><input class="input w-full" name="task" maxlength="300" value="{{ $task?->words ?? old('task') }}" @if ($task === null) @error('task') aria-invalid="true" @enderror @endif></label>@if ($task === null)<x-error name="task" />@endif
<label class="block mt-2"><span class="label">Whose</span><select class="input w-full" name="staff"><option value="">Whoever takes it</option>@foreach ($staff as $one)<option value="{{ $one->id }}" @selected(($task === null ? old('staff') : (string) $task->staff_id) === (string) $one->id)>{{ $one->name }}</option>@endforeach</select></label>
<label class="block mt-2"><span class="label">By when (may stay empty)</span><input class="input w-full" type="datetime-local" name="due" value="{{ $task === null ? old('due') : $task->due_at?->setTimezone($zone)->format('Y-m-d\TH:i') }}" @if ($task === null) @error('due') aria-invalid="true" @enderror @endif></label>@if ($task === null)<x-error name="due" />@endif
