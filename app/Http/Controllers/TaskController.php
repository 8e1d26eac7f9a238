<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Task;
use Illuminate\Http\RedirectResponse;
use Psr\Clock\ClockInterface;

final class TaskController
{
    public function done(Task $task, ClockInterface $clock): RedirectResponse
    {
        $task->update(['done_at' => $clock->now()]);

        return back()->with('done', 'Done.');
    }
}
