<?php

declare(strict_types=1);

namespace Tests\Core\Record;

use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\LineChoice;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;
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

    /** @return iterable<string, array{array<string, string>, string|null, string|null}> */
    public static function numbers(): iterable
    {
        yield 'the preferred one' => [['a' => 'mobile', 'b' => 'mobile'], null, 'a'];
        yield 'the one last used' => [['a' => 'mobile', 'b' => 'mobile'], 'b', 'b'];
        yield 'the one last used, though nobody has it: whoever writes sees that' => [['a' => 'mobile', 'b' => 'dead'], 'b', 'b'];
        yield 'last used, and not theirs any more' => [['a' => 'mobile', 'b' => 'mobile'], 'c', 'a'];
        yield 'the preferred one is a landline' => [['a' => 'landline', 'b' => 'mobile'], null, 'b'];
        yield 'nobody has the preferred one' => [['a' => 'dead', 'b' => 'unknown'], null, 'b'];
        yield 'none that takes texts' => [['a' => 'landline', 'b' => 'dead'], null, 'a'];
        yield 'no number' => [[], 'a', null];
    }

    /** @param  array<string, string>  $kinds  by number, the preferred one first */
    #[DataProvider('numbers')]
    public function testWhichNumberIsWrittenToByHand(array $kinds, ?string $last, ?string $chosen): void
    {
        $numbers = array_map(fn (string $number, string $kind): PersonNumber => new PersonNumber(
            $number, 'GB', NumberKind::tryFrom($kind) ?? NumberKind::Mobile, ['Europe/London'], $kind === 'dead' ? false : null,
        ), array_keys($kinds), $kinds);

        self::assertSame($chosen, (new Person(1, 'Ana', [], $numbers))->numberByHand($last)?->e164);
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
