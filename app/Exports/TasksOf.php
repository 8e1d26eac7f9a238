<?php

declare(strict_types=1);

namespace App\Exports;

use App\Models\Business;
use App\Models\Staff;
use App\Models\Task;
use Sabre\VObject\Component\VCalendar;

/** What one of the staff has to do, theirs and nobody's, as to-dos (RFC 5545, VTODO): what is open, and what was done of late. */
final class TasksOf
{
    private const MOST = 1000;

    private const DONE_SINCE = '-30 days';

    public static function staff(Staff $staff, \DateTimeImmutable $now): string
    {
        $business = Business::current();
        $written = new VCalendar(['PRODID' => '-//Linnet//EN', 'X-WR-CALNAME' => "To do at $business->name", 'METHOD' => 'PUBLISH']);
        $tasks = Task::query()
            ->where(fn ($whose) => $whose->where('staff_id', $staff->id)->orWhereNull('staff_id'))
            ->where(fn ($open) => $open->whereNull('done_at')->orWhere('done_at', '>=', $now->modify(self::DONE_SINCE)))
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();
        foreach ($tasks as $task) {
            $written->add($written->createComponent('VTODO', array_filter([
                'UID' => "task-$task->id@$business->install", 'DTSTAMP' => $task->done_at ?? $task->at, 'CREATED' => $task->at,
                'SUMMARY' => $task->words, 'DUE' => $task->due_at,
                'STATUS' => $task->done_at === null ? 'NEEDS-ACTION' : 'COMPLETED', 'COMPLETED' => $task->done_at,
                'URL' => $task->person_id === null ? route('tasks.index') : route('people.show', $task->person_id),
            ])));
        }

        return $written->serialize();
    }
}
