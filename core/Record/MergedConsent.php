<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** What was said from several numbers that turn out to be one person's: the stricter holds for all of them. */
final class MergedConsent
{
    /**
     * What is to be entered in the ledger besides.
     *
     * @param  array<string, array{all?: string, marketing?: string}>  $said  the newest act, granted or withdrawn, by number and scope
     * @return list<array{number: string, scope: string}> withdrawals
     */
    public static function withdrawals(array $said): array
    {
        $withdrawals = [];
        foreach (['all', 'marketing'] as $scope) {
            $isRefused = in_array('withdrawn', array_map(fn (array $one): ?string => $one[$scope] ?? null, $said), true);
            foreach ($isRefused ? $said : [] as $number => $one) {
                // Nobody who has not agreed to offers has to be told that they have not.
                $isOpen = $scope === 'all' ? ($one['all'] ?? '') !== 'withdrawn' : ($one['marketing'] ?? '') === 'granted';
                $isOpen && $withdrawals[] = ['number' => (string) $number, 'scope' => $scope];
            }
        }

        return $withdrawals;
    }
}
