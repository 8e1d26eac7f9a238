<?php

declare(strict_types=1);

namespace App\Counts;

use App\Clock\Day;
use App\Models\ComingText;
use App\Models\Message;
use App\Models\MessageState;
use Illuminate\Database\Eloquent\Builder;

/** Texts by the hours of a day, one count for each of its hours. */
final class HourCounts
{
    /** @return list<int> that left */
    public static function left(Day $day): array
    {
        $left = Message::query()
            ->whereIn('state', MessageState::left())
            ->whereBetween('at', [$day->begins, $day->ends]);

        return self::of($left, 'at', $day);
    }

    /** @return list<int> that may leave, from now on */
    public static function coming(Day $day, \DateTimeImmutable $now): array
    {
        return self::of(ComingText::query()->where('left_out', false)->whereBetween('leaves_at', [$now, $day->ends]), 'leaves_at', $day);
    }

    /**
     * In one query.
     *
     * @param  Builder<covariant \Illuminate\Database\Eloquent\Model>  $query
     * @return list<int>
     */
    private static function of(Builder $query, string $column, Day $day): array
    {
        $hours = $day->hours();
        $base = $query->toBase();
        foreach ($hours as $i => $hour) {
            $base->selectRaw("sum(case when $column >= ? and $column < ? then 1 else 0 end) as h$i", [
                $hour['from']->format('Y-m-d H:i:s'),
                $hour['to']->format('Y-m-d H:i:s'),
            ]);
        }
        $row = (array) $base->first();

        return array_map(fn (int $i): int => (int) ($row["h$i"] ?? 0), array_keys($hours));
    }
}
