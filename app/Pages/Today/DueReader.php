<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Models\Message;
use App\Models\Run;
use App\Models\Timer;

/** Finds what the engine has to do by its timers: what is late, and what comes next. */
final class DueReader
{
    /** The worker comes round several times a second; what is due for longer is late. */
    private const PATIENCE = '-2 minutes';

    private const MOST = 12;

    /** Texts and steps of runs that should have been done. */
    public static function late(\DateTimeImmutable $now): Late
    {
        $due = Timer::query()->where('due_at', '<=', $now->modify(self::PATIENCE));
        $oldest = $due->clone()->min('due_at');

        return new Late($due->count(), is_string($oldest) ? new \DateTimeImmutable($oldest, new \DateTimeZone('UTC')) : null);
    }

    /** @return list<Coming> the next ones, earliest first */
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
                $coming[] = new Coming($timer->due_at, $subject->person, $subject->rule, $text);
            }
        }

        return $coming;
    }
}
