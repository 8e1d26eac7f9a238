<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Live\Desk;
use App\Engine\Live\LiveDeeds;
use App\Models\Business;
use App\Models\Rule;
use App\Models\Timer;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Gate\Power;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule as Core;
use Linnet\Core\Rule\Trigger\CalendarReached;
use Linnet\Core\Rule\Trigger\DateReached;
use Linnet\Core\Rule\Trigger\GoneQuiet;
use Psr\Clock\ClockInterface;

/** What concerns everybody at once, in pieces: the audience of a calendar's moment, and what was there when a rule was switched on. */
final readonly class Calendars
{
    private const PIECE = 200;

    public function __construct(private ClockInterface $clock, private LiveDeeds $deeds)
    {
    }

    /** @return int how many were looked at; 0 means there is nothing left */
    public function piece(): int
    {
        $next = Rule::query()->where('power', Power::On)->where(fn ($some) => $some->whereNotNull('calling_at')->orWhereNotNull('arming_after'))
            ->orderByRaw('calling_at is null')->orderBy('id')->first();

        return match (true) {
            $next === null => 0,
            $next->calling_at !== null => $this->callUp($next),
            default => $this->arm($next),
        };
    }

    /** Waits for the next moment of a rule's calendar, or for none. */
    public static function await(Rule $rule, Core $written, \DateTimeImmutable $now): void
    {
        $next = self::next($written, $now, new \DateTimeZone(Business::ours()->zone));
        $next === null ? Timer::clear(Timer::CALENDAR, $rule->id) : Timer::put(Timer::CALENDAR, $rule->id, $next);
    }

    private static function next(Core $rule, \DateTimeImmutable $after, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        return $rule->trigger instanceof CalendarReached ? $rule->trigger->next($after, $zone) : null;
    }

    private function callUp(Rule $rule): int
    {
        return Desk::work($this->clock->now()->setTimezone(new \DateTimeZone('UTC')), $this->deeds, function (Desk $desk) use ($rule): int {
            $published = $desk->known->rule($rule->id);
            $at = $rule->calling_at?->toDateTimeImmutable();
            $ids = $published === null || $at === null ? [] : $this->subjects($published->rule, (int) $rule->calling_after);
            $happenings = new Happenings($desk->known);
            $isPeople = $published?->rule->trigger->type() === RecordType::PERSON;
            $isPeople ? $desk->known->preload($ids) : $desk->known->preloadRecords($ids);
            foreach ($ids as $id) {
                $subject = $isPeople ? $happenings->subject($id, null) : $happenings->subject(null, $desk->known->record($id));
                if ($published !== null && $at !== null) {
                    $desk->conductor->calledUp($published, $subject, $at, "calendar:$rule->id:$id:{$at->getTimestamp()}");
                }
            }
            if (count($ids) === self::PIECE) {
                $rule->update(['calling_after' => $ids[self::PIECE - 1]]);
            } else {
                $rule->update(['calling_at' => null, 'calling_after' => null]);
                $next = $published === null || $at === null ? null : self::next($published->rule, $at, new \DateTimeZone(Business::ours()->zone));
                if ($next !== null) {
                    $desk->runs->time(Timer::CALENDAR, $rule->id, 0, $next);
                }
            }

            return max(1, count($ids));
        });
    }

    private function arm(Rule $rule): int
    {
        return Desk::work($this->clock->now()->setTimezone(new \DateTimeZone('UTC')), $this->deeds, function (Desk $desk) use ($rule): int {
            $published = $desk->known->rule($rule->id);
            if ($published === null || ! ($published->rule->trigger instanceof DateReached || $published->rule->trigger instanceof GoneQuiet)) {
                $rule->update(['arming_after' => null]);

                return 1;
            }
            $ids = $this->subjects($published->rule, (int) $rule->arming_after);
            $happenings = new Happenings($desk->known);
            $isPeople = $published->rule->trigger->type() === RecordType::PERSON;
            $isPeople ? $desk->known->preload($ids) : $desk->known->preloadRecords($ids);
            if ($isPeople && $published->rule->trigger instanceof GoneQuiet) {
                $desk->known->preloadLastChanges($ids);
            }
            foreach ($ids as $id) {
                $record = $isPeople ? null : $desk->known->record($id);
                $subject = $happenings->subject($isPeople ? $id : null, $record);
                $desk->conductor->await($published, $subject);
            }
            $rule->update(['arming_after' => count($ids) === self::PIECE ? $ids[self::PIECE - 1] : null]);

            return max(1, count($ids));
        });
    }

    /** @return list<int> the next of whom or what a rule is about */
    private function subjects(Core $rule, int $after): array
    {
        $type = $rule->trigger->type();
        $ids = $type === RecordType::PERSON
            ? DB::table('people')->where('id', '>', $after)
            : DB::table('records')->where('record_type_id', fn (Builder $query) => $query->from('record_types')->where('key', $type)->select('id')->limit(1))->where('id', '>', $after);

        return array_map(intval(...), array_values($ids->orderBy('id')->limit(self::PIECE)->pluck('id')->all()));
    }
}
