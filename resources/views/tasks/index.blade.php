<x-page title="Tasks">
    <h1>Tasks</h1>
    <p class="soft mb-3">What there is to do, from rules and by hand. <a class="link" href="{{ route('account') }}">As a calendar</a></p>
    <nav class="tabs" aria-label="Which tasks">
        @foreach (['open' => 'Open', 'overdue' => 'Overdue', 'done' => 'Done'] as $show => $called)<a href="{{ route('tasks.index', [...$query->asked, 'show' => $show]) }}" @if ($query->asked['show'] === $show) aria-current="true" @endif>{{ $called }}</a>@endforeach
    </nav>
    <nav class="tabs mb-3" aria-label="Whose tasks">
        @foreach (['mine' => 'Mine', 'nobodys' => 'For whoever takes it', 'all' => 'Everybody’s'] as $whose => $called)<a href="{{ route('tasks.index', [...$query->asked, 'whose' => $whose]) }}" @if ($query->asked['whose'] === $whose) aria-current="true" @endif>{{ $called }}</a>@endforeach
    </nav>
    <form class="flex gap-2 items-end flex-wrap mb-2" action="{{ route('tasks.index') }}" role="search">
        <input type="hidden" name="show" value="{{ $query->asked['show'] }}"><input type="hidden" name="whose" value="{{ $query->asked['whose'] }}">
        <label><span class="label">What is to be done</span><input class="input w-60" type="search" name="find" value="{{ $query->asked['find'] }}"></label>
        <label><span class="label">Order</span><select class="input" name="order"><option value="">{{ $query->asked['show'] === 'done' ? 'Last done first' : 'Due first' }}</option><option value="newest" @selected($query->asked['order'] === 'newest')>Newest first</option></select></label>
        <button class="btn">Show</button>
    </form>
    @can('view')<p class="mb-1"><x-export /></p>@endcan
    @if ($tasks->isEmpty())
        <x-empty>{{ $query->asked['find'] !== '' ? 'None of those says so.' : match ($query->asked['show']) { 'done' => 'None is done yet.', 'overdue' => 'Nothing is overdue.', default => 'Nothing to do.' } }}</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">What</th><th scope="col">About</th><th scope="col">Whose</th><th scope="col">{{ $query->asked['show'] === 'done' ? 'Done' : 'By' }}</th><th scope="col"><span class="sr-only">What can be done</span></th></tr></thead>
            <tbody>@foreach ($tasks as $task)<tr>
                <td class="max-w-md">{{ $task->words }}@if ($task->rule)<br><span class="soft sm">from @can('view')<a class="link" href="{{ route('rules.show', $task->rule) }}">{{ $task->rule->name }}</a>@else{{ $task->rule->name }}@endcan</span>@endif</td>
                <td>@if ($task->person)<a class="link" href="{{ route('people.show', $task->person) }}">{{ $task->person->name() }}</a>@else–@endif</td>
                <td>{{ $task->staff?->name ?? 'whoever takes it' }}</td>
                <td class="whitespace-nowrap">@if ($task->done_at)@time($task->done_at, 'D j M H:i')@elseif ($task->due_at)@if ($task->isOverdue($now))@time($task->due_at, 'D j M H:i')<x-tone tone="bad" class="ml-2">overdue</x-tone>@else @time($task->due_at, 'D j M H:i')@endif @else–@endif</td>
                <td>@can('converse')<div class="flex gap-2 items-start">
                    <form method="post" action="{{ route('tasks.done', $task) }}">@csrf<button class="btn small" name="done" value="{{ $task->done_at ? 0 : 1 }}" aria-label="{{ $task->done_at ? 'Open again' : 'Done' }}: {{ $task->words }}">{{ $task->done_at ? 'Open again' : 'Done' }}</button></form>
                    @unless ($task->done_at)<details><summary class="link sm">Change</summary>
                        <form class="mt-2 w-56" method="post" action="{{ route('tasks.update', $task) }}">@csrf @method('put')<input type="hidden" name="back" value="{{ request()->getRequestUri() }}"><x-task-fields :staff="$staff" :task="$task" /><p class="mt-2"><button class="btn small">Keep</button></p></form></details>@endunless
                </div>@endcan</td>
            </tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$tasks" />
    @endif
    @can('converse')
        <h2 class="mt-6 mb-1">Add one</h2>
        <form class="max-w-sm" method="post" action="{{ route('tasks.store') }}" aria-label="Add a task">@csrf<input type="hidden" name="back" value="{{ request()->getRequestUri() }}"><x-task-fields :staff="$staff" /><p class="mt-2"><button class="btn">Add it</button></p></form>
    @endcan
</x-page>
