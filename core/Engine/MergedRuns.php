<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Rule\AgainPolicy;

/** Runs of two who turn out to be one person: what a rule does for a person it does once. */
final class MergedRuns
{
    /**
     * Which of those under way end. What a rule does about a record goes on for each record; about the person, or where it begins once
     * for a person, the one that began first goes on.
     *
     * @param  list<array{id: int, rule: string, policy: AgainPolicy, record: int|null, began: \DateTimeImmutable}>  $live
     * @return list<int>
     */
    public static function ending(array $live): array
    {
        usort($live, fn (array $a, array $b): int => [$a['began'], $a['id']] <=> [$b['began'], $b['id']]);
        $going = $ending = [];
        foreach ($live as $run) {
            $isPersons = $run['record'] === null || in_array($run['policy'], [AgainPolicy::OncePerPerson, AgainPolicy::NotWithin], true);
            if ($isPersons && isset($going[$run['rule']])) {
                $ending[] = $run['id'];
            }
            $going[$run['rule']] = true;
        }

        return $ending;
    }
}
