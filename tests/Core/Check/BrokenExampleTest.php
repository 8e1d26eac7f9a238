<?php

declare(strict_types=1);

namespace Tests\Core\Check;

use Linnet\Core\Check\BrokenExample;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Example\Expected;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BrokenExampleTest extends TestCase
{
    /**
     * @param  list<array{string, string, string}>  $expected  step, time and words
     * @param  list<array{string, string, string}>  $came
     * @param  array{string, string}|null  $differs  the code, and the step it is about
     */
    #[DataProvider('examples')]
    public function testSaysWhatIsDifferentFirst(array $expected, array $came, ?array $differs): void
    {
        $texts = fn (array $texts): array => array_values(
            array_map(
                fn (array $one): Expected => Expected::of($one[0], new \DateTimeImmutable("2026-03-02T$one[1]:00Z"), $one[2]),
                $texts,
            ),
        );
        $found = BrokenExample::differs(
            new Example('early', new \DateTimeImmutable('2026-03-02T10:00:00Z'), 'Europe/London', [], [], [], $texts($expected)),
            $texts($came),
        );

        self::assertSame($differs, $found === null ? null : [$found[0]->code, $found[1]]);
    }

    /**
     * @return iterable<string, array{list<array{string, string, string}>, list<array{string, string, string}>, array{string,
     * string}|null}>
     */
    public static function examples(): iterable
    {
        [$a, $b] = [['a', '10:02', 'Hello Robin'], ['b', '11:00', 'Still here']];
        yield 'none, and none come' => [[], [], null];
        yield 'the same' => [[$a, $b], [$a, $b], null];
        yield 'one more' => [[$a], [$a, $b], ['check.example_more', 'b']];
        yield 'one less' => [[$a, $b], [$a], ['check.example_less', 'b']];
        yield 'the first is gone' => [[$a, $b], [$b], ['check.example_less', 'a']];
        yield 'one between' => [[$b], [$a, $b], ['check.example_more', 'a']];
        yield 'later' => [[$a], [['a', '10:03', 'Hello Robin']], ['check.example_moved', 'a']];
        yield 'other words' => [[$a], [['a', '10:02', 'Good day']], ['check.example_reads', 'a']];
        yield 'the same to where it is held' => [[['a', '10:02', str_repeat('long ', 8)]], [['a', '10:02', str_repeat('long ', 30)]], null];
        yield 'a step that is gone' => [[['gone', '10:02', 'Hello']], [], ['check.example_less', 'gone']];
    }
}
