<?php

declare(strict_types=1);

namespace App\Pages\Tasks;

use App\Database\Like;
use App\Models\Staff;
use App\Models\Task;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;

/** Which tasks are looked at: what is due first comes first, what has no time last; or the newest first. */
final readonly class TaskQuery
{
    /** @param  array{show: string, whose: string, find: string, order: string}  $asked */
    private function __construct(public array $asked, private Staff $staff, private \DateTimeImmutable $now)
    {
    }

    public static function of(Request $request, Staff $staff, \DateTimeImmutable $now): self
    {
        $said = $request->validate([
            'show' => 'nullable|in:open,overdue,done', 'whose' => 'nullable|in:mine,nobodys,all', 'find' => 'nullable|string|max:80',
            'order' => 'nullable|in:newest',
        ]);

        return new self([
            'show' => (string) ($said['show'] ?? 'open'), 'whose' => (string) ($said['whose'] ?? 'mine'),
            'find' => trim((string) ($said['find'] ?? '')), 'order' => (string) ($said['order'] ?? ''),
        ], $staff, $now);
    }

    /** @return Builder<Task> */
    public function build(): Builder
    {
        $query = Task::query()->with(['staff', 'person.number', 'rule']);
        match ($this->asked['whose']) {
            'mine' => $query->where('staff_id', $this->staff->id),
            'nobodys' => $query->whereNull('staff_id'),
            default => null,
        };
        if ($this->asked['find'] !== '') {
            $query->where(fn (Builder $inside) => Like::any($inside, ['words'], $this->asked['find']));
        }
        if ($this->asked['order'] === 'newest') {
            $query->orderByDesc('id');
        }

        return match ($this->asked['show']) {
            'done' => $query->whereNotNull('done_at')->orderByDesc('done_at')->orderByDesc('id'),
            'overdue' => $query->whereNull('done_at')->where('due_at', '<', $this->now)->orderBy('due_at')->orderBy('id'),
            default => $query->whereNull('done_at')->orderByRaw('due_at is null')->orderBy('due_at')->orderBy('id'),
        };
    }
}
