<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** Which of the staff are told that somebody waits for an answer, and when. */
final class WhoIsTold
{
    /**
     * Whoever comes first of those it may be for alone: whom somebody has named, whose conversation it is, whom the person or the rule
     * names; where none of them is of the business, the people of its line. Each within their hours; whoever is not there is stood in for
     * by somebody who is, and so on; where nobody of them is, they are told when they are there next. Who has left is told nothing.
     *
     * @param  list<int|null>  $first  those it may be for alone, in their order
     * @param  list<int>  $line  the people of its line
     * @param  array<int, Member>  $members  all who may be told, by their ids
     * @return array<int, \DateTimeImmutable> from when on each is told, by their ids
     */
    public static function of(array $first, array $line, array $members, \DateTimeImmutable $at, \DateTimeZone $zone): array
    {
        $alone = array_values(array_filter($first, fn (?int $id): bool => $id !== null && isset($members[$id])));
        $those = $alone === [] ? $line : [$alone[0]];
        $told = [];
        foreach ($those as $id) {
            $found = isset($members[$id]) ? self::inPlaceOf($members[$id], $members, $at, $zone) : null;
            if ($found !== null) {
                [$who, $when] = $found;
                $told[$who] = isset($told[$who]) ? min($told[$who], $when) : $when;
            }
        }

        return $told;
    }

    /**
     * @param  array<int, Member>  $members
     * @return array{int, \DateTimeImmutable}|null who, and from when on; null where their hours never open and nobody stands in
     */
    private static function inPlaceOf(Member $member, array $members, \DateTimeImmutable $at, \DateTimeZone $zone): ?array
    {
        $asked = [];
        for ($one = $member; $one !== null && ! isset($asked[$one->id]); $one = $members[$one->standIn ?? 0] ?? null) {
            $asked[$one->id] = true;
            if ($one->reachableFrom($at, $zone)?->getTimestamp() === $at->getTimestamp()) {
                return [$one->id, $at];
            }
        }
        $next = $member->reachableFrom($at, $zone);

        return $next === null ? null : [$member->id, $next];
    }
}
