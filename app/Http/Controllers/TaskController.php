<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TheirTime;
use App\Exports\CsvExport;
use App\Http\Back;
use App\Models\Business;
use App\Models\Person;
use App\Models\Staff;
use App\Models\Task;
use App\Pages\Tasks\TaskQuery;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What staff have to do: noted, done, and another's. */
final readonly class TaskController
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function index(Request $request): View|StreamedResponse
    {
        $query = TaskQuery::of($request, Staff::asking($request), $this->clock->now());
        if ($request->query('as') === 'csv') {
            Gate::authorize('view');

            return CsvExport::of('tasks', ['What', 'Whose', 'About', 'By', 'Done'], (function () use ($query): \Generator {
                foreach ($query->build()->lazy(300) as $task) {
                    yield [
                        $task->words, $task->staff?->name, $task->person?->name(), $task->due_at?->format(DATE_ATOM),
                        $task->done_at?->format(DATE_ATOM),
                    ];
                }
            })());
        }

        return view('tasks.index', [
            'query' => $query, 'tasks' => $query->build()->simplePaginate(50)->withQueryString(), 'now' => $this->clock->now(),
            'staff' => Staff::answering(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        return $this->add($request, null);
    }

    public function storeFor(Request $request, Person $person): RedirectResponse
    {
        return $this->add($request, $person);
    }

    public function update(Request $request, Task $task): RedirectResponse
    {
        $here = Back::to($request, route('tasks.index'));
        $task->update($this->said($request, $here));

        return redirect($here)->with('done', 'Kept.');
    }

    public function done(Request $request, Task $task): RedirectResponse
    {
        $isDone = $request->input('done', '1') === '1';
        $task->update(['done_at' => $isDone ? $this->clock->now() : null]);

        return back()->with('done', $isDone ? 'Done.' : 'It is open again.');
    }

    private function add(Request $request, ?Person $person): RedirectResponse
    {
        $here = Back::to($request, $person === null ? route('tasks.index') : route('people.show', $person));
        Task::query()->create([
            'name' => 'by-hand/'.Str::uuid7(), 'person_id' => $person?->id, 'at' => $this->clock->now(), ...$this->said($request, $here),
        ]);

        return redirect($here)->with('done', 'Added.');
    }

    /** @return array{words: string, staff_id: int|null, due_at: \DateTimeImmutable|null} */
    private function said(Request $request, string $here): array
    {
        $said = validator($request->all(), [
            'task' => 'required|string|max:300', 'due' => 'nullable|date_format:Y-m-d\TH:i',
            'staff' => ['nullable', 'integer', Rule::exists('staff', 'id')->whereNull('off_at')],
        ], ['task.required' => 'Say what is to be done.', 'due.*' => 'Give a day and a time.', 'staff.*' => 'Choose one of the staff.']);
        if ($said->fails()) {
            throw (new ValidationException($said))->redirectTo($here);
        }
        $due = $request->input('due');

        return [
            'words' => trim($request->string('task')->value()), 'staff_id' => $request->integer('staff') ?: null,
            'due_at' => $due === null ? null : (new TheirTime(Business::current()->zone, $this->clock->now()))->moment((string) $due),
        ];
    }
}
