@props(['tasks', 'person', 'staff', 'back'])
@forelse ($tasks as $task)
    <div class="to-do"><p>{{ $task->words }}<br><span class="sm soft">{{ $task->staff?->name ?? 'whoever takes it' }}@if ($task->due_at), by @time($task->due_at, 'D j M H:i')@endif</span>@if ($task->isOverdue(resolve(\Psr\Clock\ClockInterface::class)->now()))<br><x-tone tone="bad" class="sm">overdue</x-tone>@endif</p>
        @can('converse')<form method="post" action="{{ route('tasks.done', $task) }}">@csrf<button class="btn small" aria-label="Done: {{ $task->words }}">Done</button></form>@endcan</div>
@empty
    <p class="soft">Nothing.</p>
@endforelse
@can('converse')
    <details class="mt-2" @if ($errors->has('task') || $errors->has('due')) open @endif><summary class="link sm">Add one</summary>
        <form method="post" action="{{ route('people.tasks.store', $person) }}">@csrf<input type="hidden" name="back" value="{{ $back }}">
            <x-task-fields :staff="$staff" />
            <p class="mt-2"><button class="btn small">Add it</button></p>
        </form></details>
@endcan
