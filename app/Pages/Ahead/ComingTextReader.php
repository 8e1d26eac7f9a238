<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use App\Models\ComingText;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** The texts that may come to one person, about one record, or until some moment. */
final class ComingTextReader
{
    private const MOST = 50;

    /** @return Collection<int, ComingText> the earliest first, then those somebody has to act for */
    public static function ofPerson(int $id): Collection
    {
        return self::first(ComingText::query()->where('person_id', $id), self::MOST);
    }

    /** @return Collection<int, ComingText> */
    public static function ofRecord(int $id): Collection
    {
        return self::first(ComingText::query()->where('record_id', $id), self::MOST);
    }

    /**
     * The next of each run.
     *
     * @param  list<int>  $runs
     * @return Collection<array-key, ComingText> by run
     */
    public static function nextOf(array $runs): Collection
    {
        $texts = ComingText::query()->whereIn('run_id', $runs)->with(['person.number', 'rule', 'line', 'scheduled.staff']);

        return $texts->orderByRaw('leaves_at is not null')->orderByDesc('leaves_at')->orderByDesc('id')->get()->keyBy('run_id');
    }

    /** @return Collection<int, ComingText> what is late first */
    public static function until(\DateTimeImmutable $moment, int $most): Collection
    {
        return self::withNames(self::leaving($moment)->orderBy('leaves_at')->orderBy('id')->limit($most));
    }

    public static function countUntil(\DateTimeImmutable $moment): int
    {
        return self::leaving($moment)->count();
    }

    /** @return Builder<ComingText> */
    private static function leaving(\DateTimeImmutable $before): Builder
    {
        return ComingText::query()->where('leaves_at', '<', $before)->where('left_out', false);
    }

    /**
     * @param  Builder<ComingText>  $texts
     * @return Collection<int, ComingText>
     */
    private static function first(Builder $texts, int $most): Collection
    {
        return self::withNames($texts->orderByRaw('leaves_at is null')->orderBy('leaves_at')->orderBy('id')->limit($most));
    }

    /**
     * @param  Builder<ComingText>  $texts
     * @return Collection<int, ComingText>
     */
    private static function withNames(Builder $texts): Collection
    {
        return $texts->with(['person.number', 'rule', 'line', 'scheduled.staff'])->get();
    }
}
