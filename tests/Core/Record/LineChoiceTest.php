<?php

declare(strict_types=1);

namespace Tests\Core\Record;

use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\LineChoice;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LineChoiceTest extends TestCase
{
    /** @return iterable<string, array{list<string>, string|null, string|null, string, string|null}> */
    public static function choices(): iterable
    {
        yield 'the line they are locked to' => [['name', 'desk', 'workshop'], 'workshop', 'desk', 'GB', 'workshop'];
        yield 'locked to one that is paused: whoever writes sees that it is' => [['desk', 'paused'], 'paused', 'desk', 'GB', 'paused'];
        yield 'the one last used' => [['desk', 'workshop'], null, 'workshop', 'GB', 'workshop'];
        yield 'last used, a name' => [['desk', 'name'], null, 'name', 'GB', 'name'];
        yield 'last used, and paused by now' => [['desk', 'paused'], null, 'paused', 'GB', 'desk'];
        yield 'last used, but it does not send there' => [['desk', 'british'], null, 'british', 'CA', 'desk'];
        yield 'none used: the first that can be answered' => [['name', 'desk', 'workshop'], null, null, 'GB', 'desk'];
        yield 'none used, and not to their country' => [['british', 'workshop'], null, null, 'CA', 'workshop'];
        yield 'nothing but a name' => [['paused', 'name'], null, null, 'GB', 'name'];
        yield 'a lock to a line that is no more' => [['desk'], 'gone', null, 'GB', 'desk'];
        yield 'no line that is on' => [['paused'], null, 'paused', 'GB', null];
        yield 'no line' => [[], 'desk', 'desk', 'GB', null];
    }

    /** @param  list<string>  $keys */
    #[DataProvider('choices')]
    public function testWhichLineIsWrittenFromByHand(array $keys, ?string $locked, ?string $last, string $country, ?string $chosen): void
    {
        $lines = array_map(
            fn (string $key): Line => new Line(
                1, $key, $key, $key === 'name' ? null : '+447700900100', $key === 'paused' ? ActivationState::Paused : ActivationState::On,
                countries: $key === 'british' ? ['GB'] : [],
            ),
            $keys,
        );

        self::assertSame($chosen, LineChoice::byHand($lines, $locked, $last, $country)?->key);
    }
}
