<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\PersonLocks;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Rule;
use App\Models\Timer;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\ActivationState;
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

    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    /** @return int how many were looked at; 0 means there is nothing left */
    public function piece(): int
    {
        return DB::transaction($this->nextPiece(...));
    }

    private function nextPiece(): int
    {
        $rules = Rule::query()
            ->where('power', ActivationState::On)
            ->where(fn ($some) => $some->whereNotNull('broadcast_at')->orWhereNotNull('start_cursor'))
            ->orderByRaw('broadcast_at is null')
            ->orderBy('id');
        // Another worker is at its own rule's piece.
        $rules->getQuery()->lock('for update skip locked');
        $next = $rules->first();

        return match (true) {
            $next === null => 0,
            $next->broadcast_at !== null => $this->callUp($next),
            default => $this->scheduleStarts($next),
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
        return UnitOfWork::work($this->clock->now()->setTimezone(new \DateTimeZone('UTC')), $this->sideEffects, function (
            UnitOfWork $unit,
        ) use ($rule): int {
            $published = $unit->reader->rule($rule->id);
            $at = $rule->broadcast_at?->toDateTimeImmutable();
            $ids = $published === null || $at === null ? [] : $this->subjects($published->rule, (int) $rule->broadcast_cursor);
            $events = new DomainEventReader($unit->reader);
            $isPeople = $published?->rule->trigger->type() === RecordType::PERSON;
            PersonLocks::wait($isPeople ? $ids : $this->whose($ids));
            $isPeople ? $unit->reader->preload($ids) : $unit->reader->preloadRecords($ids);
            foreach ($ids as $id) {
                $subject = $isPeople ? $events->subject($id, null) : $events->subject(null, $unit->reader->record($id));
                if ($published !== null && $at !== null) {
                    $unit->conductor->calledUp($published, $subject, $at, "calendar:$rule->id:$id:{$at->getTimestamp()}");
                }
            }
            if (count($ids) === self::PIECE) {
                $rule->update(['broadcast_cursor' => $ids[self::PIECE - 1]]);
            } else {
                $rule->update(['broadcast_at' => null, 'broadcast_cursor' => null]);
                $next =
                    $published === null || $at === null
                        ? null
                        : self::next($published->rule, $at, new \DateTimeZone(Business::ours()->zone));
                if ($next !== null) {
                    $unit->runs->time(Timer::CALENDAR, $rule->id, 0, $next);
                }
            }

            return max(1, count($ids));
        });
    }

    private function scheduleStarts(Rule $rule): int
    {
        return UnitOfWork::work($this->clock->now()->setTimezone(new \DateTimeZone('UTC')), $this->sideEffects, function (
            UnitOfWork $unit,
        ) use ($rule): int {
            $published = $unit->reader->rule($rule->id);
            if (
                $published === null ||
                ! ($published->rule->trigger instanceof DateReached || $published->rule->trigger instanceof GoneQuiet)
            ) {
                $rule->update(['start_cursor' => null]);

                return 1;
            }
            $ids = $this->subjects($published->rule, (int) $rule->start_cursor);
            $events = new DomainEventReader($unit->reader);
            $isPeople = $published->rule->trigger->type() === RecordType::PERSON;
            PersonLocks::wait($isPeople ? $ids : $this->whose($ids));
            $isPeople ? $unit->reader->preload($ids) : $unit->reader->preloadRecords($ids);
            if ($isPeople && $published->rule->trigger instanceof GoneQuiet) {
                $unit->reader->preloadLastChanges($ids);
            }
            foreach ($ids as $id) {
                $record = $isPeople ? null : $unit->reader->record($id);
                $subject = $events->subject($isPeople ? $id : null, $record);
                $unit->conductor->await($published, $subject);
            }
            $rule->update(['start_cursor' => count($ids) === self::PIECE ? $ids[self::PIECE - 1] : null]);

            return max(1, count($ids));
        });
    }

    /** @return list<int> the next of whom or what a rule is about */
    private function subjects(Core $rule, int $after): array
    {
        $type = $rule->trigger->type();
        $ids =
            $type === RecordType::PERSON
                ? DB::table('people')->where('id', '>', $after)
                : DB::table('records')
                    ->where(
                        'record_type_id',
                        fn (Builder $query) => $query->from('record_types')->where('key', $type)->select('id')->limit(1),
                    )
                    ->where('id', '>', $after);

        return array_map(intval(...), array_values($ids->orderBy('id')->limit(self::PIECE)->pluck('id')->all()));
    }

    /**
     * @param  list<int>  $records
     * @return list<int>
     */
    private function whose(array $records): array
    {
        $people = DB::table('records')->whereIn('id', $records)->whereNotNull('person_id')->distinct()->pluck('person_id');

        return array_values(array_map(intval(...), $people->all()));
    }
}
