<?php

declare(strict_types=1);

namespace Tests\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\OnlyIf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class OnlyIfTest extends TestCase
{
    /** @param  array<string, mixed>  $test */
    #[DataProvider('questions')]
    public function testATestLetsThroughOrSaysWhyNot(array $test, mixed $tree, ?string $code): void
    {
        $only = OnlyIf::read(Doc::of($test));

        self::assertSame($code, $only->leavesOut($tree)?->code);
        self::assertEquals($only, OnlyIf::read(Doc::of($only->toDocument())));
    }

    /** @return iterable<string, array{array<string, mixed>, mixed, string|null}> */
    public static function questions(): iterable
    {
        yield 'it is there, with nothing in it' => [['at' => 'a', 'test' => 'exists'], ['a' => null], null];
        yield 'it is not there' => [['at' => 'a', 'test' => 'exists'], ['b' => 1], 'intake.left_out_exists'];
        yield 'something stands there' => [['at' => 'a.b', 'test' => 'not_null'], ['a' => ['b' => 0]], null];
        yield 'null' => [['at' => 'a', 'test' => 'not_null'], ['a' => null], 'intake.left_out_not_null'];
        yield 'an empty text' => [['at' => 'a', 'test' => 'not_null'], ['a' => ''], 'intake.left_out_not_null'];
        yield 'an empty list' => [['at' => 'a[]', 'test' => 'not_null'], ['a' => []], 'intake.left_out_not_null'];
        yield 'the word, whatever its letters' => [['at' => 'a', 'test' => 'is', 'value' => 'Missed'], ['a' => 'MISSED'], null];
        yield 'a number as text' => [['at' => 'a', 'test' => 'is', 'value' => '5'], ['a' => 5], null];
        yield 'another word' => [['at' => 'a', 'test' => 'is', 'value' => 'missed'], ['a' => 'answered'], 'intake.left_out_is'];
        yield 'the word that is not wanted' => [
            ['at' => 'a', 'test' => 'is_not', 'value' => 'test'],
            ['a' => 'test'],
            'intake.left_out_is_not',
        ];
        yield 'nothing is not that word' => [['at' => 'a', 'test' => 'is_not', 'value' => 'test'], [], null];
        yield 'one of several' => [['at' => 'a', 'test' => 'one_of', 'value' => ['x', 'y']], ['a' => 'Y'], null];
        yield 'none of several' => [['at' => 'a', 'test' => 'one_of', 'value' => ['x', 'y']], ['a' => ['x']], 'intake.left_out_one_of'];
        yield 'in words of its own' => [
            ['at' => 'a', 'test' => 'exists', 'otherwise' => 'it was a test.'],
            'nonsense',
            'intake.left_out_said',
        ];
    }
}
