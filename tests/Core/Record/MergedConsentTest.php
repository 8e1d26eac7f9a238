<?php

declare(strict_types=1);

namespace Tests\Core\Record;

use Linnet\Core\Record\MergedConsent;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MergedConsentTest extends TestCase
{
    /**
     * @param  array<string, array{all?: string, marketing?: string}>  $said
     * @param  list<string>  $expected  number and scope
     */
    #[DataProvider('entries')]
    public function testTheStricterHoldsForEveryNumber(array $said, array $expected): void
    {
        $entered = array_map(
            fn (array $one): string => "{$one['number']} {$one['scope']}", MergedConsent::withdrawals($said),
        );
        self::assertSame($expected, $entered);
    }

    /** @return iterable<string, array{array<string, array<string, string>>, list<string>}> */
    public static function entries(): iterable
    {
        [$yes, $no] = ['granted', 'withdrawn'];
        yield 'nobody said anything' => [['+1' => [], '+2' => []], []];
        yield 'one said stop' => [['+1' => ['all' => $no], '+2' => []], ['+2 all']];
        yield 'both said stop' => [['+1' => ['all' => $no], '+2' => ['all' => $no]], []];
        yield 'one said stop, the other came back once' => [['+1' => ['all' => $no], '+2' => ['all' => $yes]], ['+2 all']];
        yield 'one said stop and came back' => [['+1' => ['all' => $yes], '+2' => []], []];
        yield 'one agreed to offers' => [['+1' => ['marketing' => $yes], '+2' => []], []];
        yield 'one agreed, the other refused' => [['+1' => ['marketing' => $yes], '+2' => ['marketing' => $no]], ['+1 marketing']];
        yield 'one refused, the other never said' => [['+1' => ['marketing' => $no], '+2' => []], []];
        yield 'one said stop, the other agreed to offers' => [['+1' => ['all' => $no], '+2' => ['marketing' => $yes]], ['+2 all']];
        yield 'of three' => [
            ['+1' => ['all' => $no, 'marketing' => $no], '+2' => ['marketing' => $yes], '+3' => []],
            ['+2 all', '+3 all', '+2 marketing'],
        ];
        yield 'one without another' => [['+1' => ['all' => $no]], []];
    }
}
