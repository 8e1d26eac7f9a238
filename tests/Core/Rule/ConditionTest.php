<?php

declare(strict_types=1);

namespace Tests\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Condition\Truth;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Situations;

final class ConditionTest extends TestCase
{
    /** @param  array<string, mixed>  $condition */
    #[DataProvider('conditions')]
    public function testWeighs(array $condition, Truth $truth, string $because): void
    {
        $weighed = Conditions::read(Doc::of($condition))->weigh(
            Situations::at('2026-03-02T10:00:00Z', [
                'first_name' => 'Ana', 'empty' => '', 'places' => 3, 'going' => false, 'tags' => ['racks'],
                'starts' => ['at' => '2026-03-03T23:30:00Z', 'zone' => 'Asia/Tokyo'], 'due' => '2026-03-02',
                'paid' => ['amount' => '12.50', 'currency' => 'GBP'],
            ]),
        );

        self::assertSame([$truth, "condition.$because"], [$weighed->truth, $weighed->reason->code]);
    }

    /** @return iterable<string, array{array<string, mixed>, Truth, string}> */
    public static function conditions(): iterable
    {
        $ask = fn (string $field, string $test, mixed $value = null): array => ['field' => $field, 'test' => $test] +
            ($value === null ? [] : ['value' => $value]);
        [$yes, $no, $unknown] = [Truth::True, Truth::False, Truth::Unknown];
        yield 'is, whatever the case' => [$ask('first_name', 'is', ' ANA '), $yes, 'value'];
        yield 'is not' => [$ask('first_name', 'is_not', 'Ben'), $yes, 'value'];
        yield 'a missing value is not anything' => [$ask('nickname', 'is_not', 'Ben'), $unknown, 'unknown'];
        yield 'an empty value is unknown too' => [$ask('empty', 'is', 'Ben'), $unknown, 'unknown'];
        yield 'empty' => [$ask('empty', 'empty'), $yes, 'is_empty'];
        yield 'filled' => [$ask('nickname', 'filled'), $no, 'is_empty'];
        yield 'a number by its worth' => [$ask('places', 'is', '3.0'), $yes, 'value'];
        yield 'no is a value' => [$ask('going', 'is', false), $yes, 'value'];
        yield 'one of' => [$ask('first_name', 'one_of', ['Ben', 'ana']), $yes, 'value'];
        yield 'contains' => [$ask('first_name', 'contains', 'N'), $yes, 'value'];
        yield 'begins with' => [$ask('first_name', 'begins_with', 'n'), $no, 'value'];
        yield 'more' => [$ask('paid', 'more', 12), $yes, 'value'];
        yield 'less' => [$ask('places', 'less', 3), $no, 'value'];
        yield 'between takes its ends' => [$ask('places', 'between', [3, 1]), $yes, 'value'];
        yield 'more than a name is no question' => [$ask('first_name', 'more', 1), $unknown, 'other_kind'];
        yield 'before' => [$ask('starts', 'before', '2026-03-04'), $yes, 'value'];
        yield 'after' => [$ask('due', 'after', '2026-03-02T00:00:00Z'), $no, 'value'];
        yield 'within the next days' => [$ask('starts', 'within_next', 2), $yes, 'value'];
        yield 'not within the next' => [$ask('starts', 'within_next', 1), $no, 'value'];
        yield 'within the last' => [$ask('due', 'within_last', 1), $yes, 'value'];
        yield 'today' => [$ask('due', 'today'), $yes, 'value'];
        yield 'a weekday, where it happens' => [$ask('starts', 'weekday', ['wed']), $yes, 'value'];
        yield 'open' => [['hours' => 'open'], $yes, 'open'];
        yield 'not closed' => [['hours' => 'closed'], $no, 'open'];
        yield 'not replied' => [['replied' => false], $yes, 'not_replied'];
        yield 'all of nothing' => [['all' => []], $yes, 'nothing_asked'];
        yield 'any of nothing' => [['any' => []], $no, 'nothing_asked'];
        yield 'all, one false beats one unknown' => [['all' => [$ask('nickname', 'is', 'x'), $ask('places', 'is', 4)]], $no, 'value'];
        yield 'all, one unknown' => [['all' => [$ask('places', 'is', 3), $ask('nickname', 'is', 'x')]], $unknown, 'unknown'];
        yield 'any, one true beats one unknown' => [['any' => [$ask('nickname', 'is', 'x'), $ask('places', 'is', 3)]], $yes, 'value'];
        yield 'any, one unknown beats one false' => [
            ['any' => [$ask('places', 'is', 4), $ask('nickname', 'is', 'x')]],
            $unknown,
            'unknown',
        ];
        yield 'none, explained by the one that is' => [['none' => [$ask('nickname', 'is', 'x'), $ask('places', 'is', 3)]], $no, 'value'];
        yield 'none of an unknown is unknown' => [['none' => [$ask('nickname', 'is', 'x')]], $unknown, 'unknown'];
    }
}
