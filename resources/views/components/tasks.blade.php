@props(['tasks', 'person', 'staff', 'back'])
@forelse ($tasks as $task)
    <div class="to-do"><p>{{ $task->words }}<br><span @class(['sm', 'bad' => $task->isOverdue(resolve(\Psr\Clock\ClockInterface::class)->now()), 'soft' => ! $task->isOverdue(resolve(\Psr\Clock\ClockInterface::class)->now())])>{{ $task->staff?->name ?? 'whoever takes it' }}@if ($task->due_at), by @time($task->due_at, 'D j M H:i')@endif</span></p>
        @can('converse')<form method="post" action="{{ route('tasks.done', $task) }}">@csrf<button class="btn small" aria-label="Done: {{ $task->words }}">Done</button></form>@endcan</div>
@empty
    <p class="soft">Nothing.</p>
@endforelse
@can('converse')
    <details class="mt-2" @if ($errors->has('task') || $errors->has('due')) open @endif><summary class="link sm">Add one</summary>
        <form method="post" action="{{ route('people.tasks.store', $person) }}">@csrf<input type="hidden" name="back" value="{{ $back }}">
            <label><span class="label">What is to be done</span><input class="input w-full" name="task" maxlength="300" value="{{ old('task') }}" @error('task') aria-invalid="true" aria-describedby="task-error" @enderror></label><x-error name="task" />
            <label class="block mt-2"><span class="label">Whose</span><select class="input w-full" name="staff"><option value="">Whoever takes it</option>@foreach ($staff as $one)<option value="{{ $one->id }}" @selected(old('staff') === (string) $one->id)>{{ $one->name }}</option>@endforeach</select></label>
            <label class="block mt-2"><span class="label">By when (may stay empty)</span><input class="input w-full" type="datetime-local" name="due" value="{{ old('due') }}" @error('due') aria-invalid="true" aria-describedby="due-error" @enderror></label><x-error name="due" />
            <p class="mt-2"><button class="btn small">Add it</button></p>
        </form></details>
@endcan
