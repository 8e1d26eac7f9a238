<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Models\Message;
use App\Models\Person;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Timer;

/** One thing that is due later today: a text that is held, or the next look at a run. */
final readonly class Coming
{
    private const MOST = 12;

    private function __construct(public \DateTimeImmutable $at, public Person $person, public ?Rule $rule, public ?Message $held)
    {
    }

    /** @return list<self> the next ones, earliest first */
    public static function between(\DateTimeImmutable $from, \DateTimeImmutable $to): array
    {
        $timers = Timer::query()
            ->underWay()
            ->whereBetween('due_at', [$from, $to])
            ->orderBy('due_at')
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();
        $of = fn (string $kind): array => $timers->where('kind', $kind)->pluck('subject_id')->all();
        $runs = Run::query()->whereKey($of(Timer::RUN))->with(['person.number', 'rule'])->get();
        $held = Message::query()->whereKey($of(Timer::MESSAGE))->with(['person.number', 'rule'])->get();
        $coming = [];
        foreach ($timers as $timer) {
            $run = $timer->kind === Timer::RUN ? $runs->find($timer->subject_id) : null;
            $text = $timer->kind === Timer::MESSAGE ? $held->find($timer->subject_id) : null;
            $subject = $run ?? $text;
            if ($subject !== null && $timer->due_at !== null) {
                $coming[] = new self($timer->due_at, $subject->person, $subject->rule, $text);
            }
        }

        return $coming;
    }
}
