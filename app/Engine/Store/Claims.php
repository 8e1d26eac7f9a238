<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Models\Timer;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\ActivationState;

/**
 * Which of the changes and timers that are due one worker takes, while others are at theirs: those about people nobody else is at now,
 * the earliest first. What was looked for before its person was locked is read again after.
 */
final class Claims
{
    /** Which rules have still to go through those whom they concern; its one value is the state of being on. */
    public const PIECES = 'power = ? and (broadcast_at is not null or start_cursor is not null)';

    /** Where a database lets several write, each looks so many times further than it takes, past what others are at. */
    private const FURTHER = 8;

    /**
     * Whether there is anything to take, asked without a transaction: where there is nothing, nobody else's writing waits for it.
     *
     * @return array{changes: bool, timers: bool, pieces: bool, by_hand: bool}
     */
    public static function open(\DateTimeImmutable $now): array
    {
        $open = (array) DB::selectOne(
            'select exists(select 1 from changes where handled = ?) as changes,
                exists(select 1 from timers where due_at <= ?) as timers,
                exists(select 1 from rules where '.self::PIECES.') as pieces,
                exists(select 1 from scheduled_texts where leaves_at <= ?) as by_hand',
            [false, DatabaseRunStore::at($now), ActivationState::On->value, DatabaseRunStore::at($now)],
        );

        return [
            'changes' => (bool) $open['changes'], 'timers' => (bool) $open['timers'], 'pieces' => (bool) $open['pieces'],
            'by_hand' => (bool) $open['by_hand'],
        ];
    }

    /**
     * @param  list<int>|null  $only  these alone; null for the next ones
     * @return list<int> of changes that were not taken yet, in their order
     */
    public static function changes(int $most, ?array $only = null): array
    {
        $open = fn (): Builder => DB::table('changes')->where('handled', false)->orderBy('id');
        $found = $open()
            ->when($only !== null, fn (Builder $query) => $query->whereIn('id', $only))
            ->limit(self::candidates($most))
            ->get(['id', 'person_id', 'record_id']);
        $ids = self::mine($found, $most);

        return $ids === [] ? [] : self::ids($open()->whereIn('id', $ids)->lock('for update')->pluck('id'));
    }

    /**
     * @param  list<int>|null  $only
     * @return list<\stdClass> timers that are due, the earliest first
     */
    public static function timers(int $most, string $now, ?array $only = null): array
    {
        $due = fn (): Builder => DB::table('timers')->where('timers.due_at', '<=', $now)->orderBy('timers.due_at')->orderBy('timers.id');
        $found = $due()->when($only !== null, fn (Builder $query) => $query->whereIn('id', $only))->limit(self::candidates($most))->get();
        if (self::isAlone()) {
            return array_values($found->all());
        }
        $ids = self::mine($found->map(self::withPerson(self::people($found))), $most);

        return $ids === [] ? [] : array_values($due()->whereIn('id', $ids)->lock('for update')->get()->all());
    }

    /** Whether nobody else can write as long as this transaction lasts. */
    private static function isAlone(): bool
    {
        return DB::connection()->getDriverName() === 'sqlite';
    }

    private static function candidates(int $most): int
    {
        return self::isAlone() ? $most : $most * self::FURTHER;
    }

    /**
     * @param  Collection<int, \stdClass>  $found
     * @return list<int> of those whose people are free, and are locked from now on
     */
    private static function mine(Collection $found, int $most): array
    {
        if (self::isAlone()) {
            return self::ids($found->pluck('id'));
        }
        $mine = $busy = [];
        foreach ($found->chunk($most) as $some) {
            $some = $some->reject(fn (\stdClass $row): bool => isset($busy[self::about($row)]));
            $free = self::free($some);
            foreach ($some as $row) {
                $about = self::about($row);
                if (count($mine) < $most && ($about === '' || isset($free[$about]))) {
                    $mine[] = (int) $row->id;
                } else {
                    $busy[$about] = true;
                }
            }
            if (count($mine) >= $most) {
                break;
            }
        }

        return $mine;
    }

    /**
     * @param  Collection<int, \stdClass>  $rows
     * @return array<string, true> whom or what of theirs nobody else is at
     */
    private static function free(Collection $rows): array
    {
        $people = PersonLocks::free(self::ids($rows->pluck('person_id')->filter()));
        $free = array_fill_keys(array_map(fn (int $id): string => "person:$id", $people), true);
        $records = self::ids($rows->whereNull('person_id')->pluck('record_id')->filter()->unique()->sort());
        if ($records !== []) {
            $locked = DB::table('records')->whereIn('id', $records)->orderBy('id')->lock('for update skip locked')->pluck('id');
            $free += array_fill_keys(array_map(fn (int $id): string => "record:$id", self::ids($locked)), true);
        }

        return $free;
    }

    private static function about(\stdClass $row): string
    {
        return match (true) {
            $row->person_id !== null => "person:$row->person_id",
            $row->record_id !== null => "record:$row->record_id",
            default => '',
        };
    }

    /**
     * @param  Collection<int, \stdClass>  $timers
     * @return array<string, array<int, int|null>> by kind and subject
     */
    private static function people(Collection $timers): array
    {
        $of = fn (string $kind, string $table): array => DB::table($table)
            ->whereIn('id', $timers->where('kind', $kind)->pluck('subject_id'))
            ->pluck('person_id', 'id')
            ->all();
        $known = $timers->where('kind', Timer::START_PERSON)->pluck('subject_id', 'subject_id')->all();

        return [
            Timer::RUN => $of(Timer::RUN, 'runs'), Timer::MESSAGE => $of(Timer::MESSAGE, 'messages'),
            Timer::START_RECORD => $of(Timer::START_RECORD, 'records'), Timer::START_PERSON => $known,
        ];
    }

    /**
     * @param  array<string, array<int, int|null>>  $people
     * @return \Closure(\stdClass): \stdClass
     */
    private static function withPerson(array $people): \Closure
    {
        return fn (\stdClass $timer): \stdClass => (object) [
            'id' => $timer->id,
            'person_id' => $people[$timer->kind][(int) $timer->subject_id] ?? null,
            'record_id' => $timer->kind === Timer::START_RECORD ? $timer->subject_id : null,
        ];
    }

    /**
     * @param  Collection<array-key, mixed>  $ids
     * @return list<int>
     */
    private static function ids(Collection $ids): array
    {
        return array_values(array_map(intval(...), $ids->all()));
    }
}
