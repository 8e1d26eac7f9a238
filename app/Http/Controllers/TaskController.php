<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TheirTime;
use App\Http\Back;
use App\Models\Business;
use App\Models\Person;
use App\Models\Task;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Psr\Clock\ClockInterface;

/** What staff have to do: noted, and done. */
final class TaskController
{
    public function store(Request $request, Person $person, ClockInterface $clock): RedirectResponse
    {
        $here = Back::to($request, route('people.show', $person));
        $said = validator($request->all(), [
            'task' => 'required|string|max:300', 'due' => 'nullable|date_format:Y-m-d\TH:i',
            'staff' => ['nullable', Rule::exists('staff', 'id')->whereNull('off_at')],
        ], ['task.required' => 'Say what is to be done.', 'due.*' => 'Give a day and a time.', 'staff.*' => 'Choose one of the staff.']);
        if ($said->fails()) {
            return redirect($here)->withErrors($said)->withInput();
        }
        $due = $request->input('due');
        Task::query()->create([
            'name' => 'by-hand/'.Str::uuid7(), 'person_id' => $person->id, 'staff_id' => $request->integer('staff') ?: null,
            'words' => trim($request->string('task')->value()), 'at' => $clock->now(),
            'due_at' => $due === null ? null : (new TheirTime(Business::current()->zone, $clock->now()))->moment((string) $due),
        ]);

        return redirect($here)->with('done', 'Added.');
    }

    public function done(Task $task, ClockInterface $clock): RedirectResponse
    {
        $task->update(['done_at' => $clock->now()]);

        return back()->with('done', 'Done.');
    }
}
