<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\RunOutboundTask;
use App\Models\OutboundTask;
use App\Models\OutboundTaskState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;

/** Emails, look-ups and calls to other systems that were given up. */
final class OutboundTaskController
{
    public function again(OutboundTask $task): RedirectResponse
    {
        if ($task->state === OutboundTaskState::GivenUp) {
            $task->update(['state' => OutboundTaskState::Waiting, 'done_at' => null, 'reason' => null, 'due_at' => now()]);
            RunOutboundTask::dispatch($task->id);
        }

        return back()->with('done', 'It is tried again.');
    }

    public function putAway(OutboundTask $task): RedirectResponse
    {
        $task->update(['state' => OutboundTaskState::Done]);

        return back()->with('done', 'It is left as it is.');
    }

    public function againMail(): RedirectResponse
    {
        foreach ($this->unsentMail()->lazyById(200) as $task) {
            $this->again($task);
        }

        return back()->with('done', 'They are tried again.');
    }

    public function putAwayMail(): RedirectResponse
    {
        $this->unsentMail()->update(['state' => OutboundTaskState::Done]);

        return back()->with('done', 'They are left as they are.');
    }

    /** @return Builder<OutboundTask> */
    private function unsentMail(): Builder
    {
        return OutboundTask::query()->where('state', OutboundTaskState::GivenUp)->where('reason->code', 'outbound_task.no_mail');
    }
}
