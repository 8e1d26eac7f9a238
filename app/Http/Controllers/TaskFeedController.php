<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\TasksOf;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Psr\Clock\ClockInterface;

/** Somebody's tasks as to-dos that another program subscribes to, at an address nobody can guess. */
final class TaskFeedController
{
    public function show(string $secret, ClockInterface $clock): Response
    {
        $staff = Staff::query()->where('tasks_hash', hash('sha256', $secret))->whereNull('off_at')->first() ?? abort(404);

        return new Response(TasksOf::staff($staff, $clock->now()), 200, [
            'Content-Type' => 'text/calendar; charset=UTF-8', 'Content-Disposition' => 'inline; filename="tasks.ics"',
            'Cache-Control' => 'private, max-age=300',
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $secret = bin2hex(random_bytes(20));
        Staff::asking($request)->update(['tasks_hash' => hash('sha256', $secret)]);

        return redirect()->route('account')->with('feed', route('tasks.feed', $secret));
    }

    public function destroy(Request $request): RedirectResponse
    {
        Staff::asking($request)->update(['tasks_hash' => null]);

        return redirect()->route('account')->with('done', 'Its address leads nowhere from now on.');
    }
}
