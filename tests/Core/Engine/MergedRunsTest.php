<?php

declare(strict_types=1);

namespace Tests\Core\Engine;

use Linnet\Core\Engine\MergedRuns;
use Linnet\Core\Rule\AgainPolicy;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MergedRunsTest extends TestCase
{
    /**
     * @param  list<array{int, string, AgainPolicy, int|null, string}>  $live  id, rule, policy, record, when it began
     * @param  list<int>  $ending
     */
    #[DataProvider('runs')]
    public function testWhatARuleDoesForAPersonItDoesOnce(array $live, array $ending): void
    {
        self::assertSame($ending, MergedRuns::ending(array_map(fn (array $one): array => [
            'id' => $one[0], 'rule' => $one[1], 'policy' => $one[2], 'record' => $one[3],
            'began' => new \DateTimeImmutable("2026-03-02 $one[4]"),
        ], $live)));
    }

    /** @return iterable<string, array{list<array{int, string, AgainPolicy, int|null, string}>, list<int>}> */
    public static function runs(): iterable
    {
        [$occasion, $person, $record] = [AgainPolicy::OncePerOccasion, AgainPolicy::OncePerPerson, AgainPolicy::OncePerRecord];
        yield 'none' => [[], []];
        yield 'of different rules' => [[[1, 'a', $occasion, null, '09:00'], [2, 'b', $occasion, null, '09:00']], []];
        yield 'about the person, both' => [[[1, 'a', $occasion, null, '10:00'], [2, 'a', $occasion, null, '09:00']], [1]];
        yield 'about two records' => [[[1, 'a', $occasion, 7, '10:00'], [2, 'a', $occasion, 8, '09:00']], []];
        yield 'about two records, once for each' => [[[1, 'a', $record, 7, '10:00'], [2, 'a', $record, 8, '09:00']], []];
        yield 'about two records, once for a person' => [[[1, 'a', $person, 7, '09:00'], [2, 'a', $person, 8, '10:00']], [2]];
        yield 'not again within days' => [
            [[1, 'a', AgainPolicy::NotWithin, 7, '09:00'], [2, 'a', AgainPolicy::NotWithin, 8, '10:00']], [2],
        ];
        yield 'begun at once' => [[[2, 'a', $person, null, '09:00'], [1, 'a', $person, null, '09:00']], [2]];
        yield 'three' => [
            [[1, 'a', $person, null, '09:00'], [2, 'a', $person, null, '10:00'], [3, 'a', $person, null, '08:00']], [1, 2],
        ];
    }
}
