<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Clock\TimeFormatter;
use App\Counts\WaitingConversations;
use App\Models\Business;
use App\Models\Staff;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\View\Component;
use Psr\Clock\ClockInterface;

/** The rail at the left: where one can go, who is here, and what time it is. */
final class Rail extends Component
{
    /** Screens that belong to a place by another name. */
    private const WITHIN = ['rules.index' => ['results'],
        'records.types' => ['records.*'],
        'ahead' => ['ahead.day'],
        'sent.index' => ['messages.show'],
        'sources.index' => ['imports.*', 'deliveries.*'],
        'lines.index' => ['keywords'],
        'conversations.index' => ['kept-texts.*', 'tasks.*', 'several.*'],
        'people.index' => ['audiences.*'],
        'settings.index' => ['record-types.*', 'tokens.*', 'calendars.*', 'forms.*', 'pools.*', 'api'],
    ];

    public function __construct(private readonly Request $request, private readonly ClockInterface $clock)
    {
    }

    public function render(): View
    {
        $staff = $this->request->user();
        if (! $staff instanceof Staff) {
            throw new \LogicException('The rail is for those who are logged in.');
        }

        return view('components.rail', [
            'staff' => $staff,
            'places' => $this->places($staff),
            'clockShows' => TimeFormatter::momentIn($this->clock->now(), Business::current()->zone),
        ]);
    }

    /** @return list<object{name: string, route: string, here: bool, count: int}|null> */
    private function places(Staff $staff): array
    {
        $waiting = resolve(WaitingConversations::class)->count();
        $place = fn (string $name, string $route, int $count = 0): object => (object) [
            'name' => $name, 'route' => $route, 'count' => $count,
            'here' => $this->request->routeIs($route, str_replace('.index', '.*', $route), ...self::WITHIN[$route] ?? []),
        ];

        return $staff->role->views() ? [
            $place('Today', 'today'),
            $place('Rules', 'rules.index'),
            $place('Conversations', 'conversations.index', $waiting),
            $place('People', 'people.index'),
            $place('Records', 'records.types'),
            $place('Ahead', 'ahead'),
            $place('Sent', 'sent.index'),
            null,
            $place('Sources', 'sources.index'),
            $place('Lines', 'lines.index'),
            $place('Safeguards', 'safeguards.index'),
            ...($staff->role->administers() ? [$place('Settings', 'settings.index')] : []),
        ] : [
            $place('Conversations', 'conversations.index', $waiting),
            $place('People', 'people.index'),
        ];
    }
}
