<?php

declare(strict_types=1);

namespace Tests\Core\Rule;

use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Document\Doc;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Staff;
use Linnet\Core\Record\Standing;
use Linnet\Core\Rule\Condition\Conditions;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Situations;

final class MoreConditionsTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $condition
     * @param  array<string, mixed>  $known
     */
    #[DataProvider('conditions')]
    public function testWeighs(array $condition, array $known, string $truth, string $code): void
    {
        $weighed = Conditions::read(Doc::of($condition))->weigh($this->contextOf()->with($known));

        self::assertSame([$truth, $code], [$weighed->truth->name, $weighed->reason->code]);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, string, string}> */
    public static function conditions(): iterable
    {
        $with = fn (mixed ...$standing): array => ['standing' => new Standing(...$standing)];
        yield 'a tag, whatever its case' => [['tag' => 'Member'], $with(tags: ['member']), 'True', 'condition.has_tag'];
        yield 'no tag' => [['tag' => 'member'], [], 'False', 'condition.no_tag'];
        yield 'without a tag' => [['tag' => 'member', 'has' => false], [], 'True', 'condition.no_tag'];
        yield 'on a list' => [['list' => 'newsletter'], $with(lists: ['newsletter']), 'True', 'condition.has_list'];
        yield 'agreed' => [['consent' => 'marketing'], $with(optedIn: true), 'True', 'condition.opted_in'];
        yield 'never agreed' => [['consent' => 'marketing', 'has' => false], [], 'True', 'condition.not_opted_in'];
        yield 'said stop' => [['consent' => 'opted_out'], ['optedOut' => true], 'True', 'condition.opted_out'];
        yield 'a mobile' => [['number' => 'mobile'], $with(number: NumberKind::Mobile), 'True', 'condition.number_mobile'];
        yield 'a landline is no mobile' => [
            ['number' => 'mobile'], $with(number: NumberKind::Landline), 'False', 'condition.number_landline',
        ];
        yield 'where numbers do not tell it is unknown' => [
            ['number' => 'mobile'], $with(number: NumberKind::Either), 'Unknown', 'condition.number_kind_unknown',
        ];
        yield 'nobody has asked whether it is alive' => [
            ['number' => 'alive'], $with(number: NumberKind::Mobile), 'Unknown', 'condition.not_looked_up',
        ];
        yield 'it is alive' => [['number' => 'alive'], $with(number: NumberKind::Mobile, alive: true), 'True', 'condition.number_alive'];
        yield 'it is dead' => [['number' => 'dead'], $with(number: NumberKind::Mobile, alive: false), 'True', 'condition.number_dead'];
        yield 'no number at all' => [['number' => 'none'], [], 'True', 'condition.no_number'];
        yield 'no number is no mobile' => [['number' => 'mobile'], [], 'False', 'condition.no_number'];
        $bookings = [
            'related' => [
                'booking' => [
                    Facts::of(['state' => 'cancelled', 'starts_at' => '2026-03-04T10:00:00Z']),
                    Facts::of(['state' => 'booked', 'starts_at' => '2026-03-05T10:00:00Z']),
                ],
            ],
        ];
        $coming = [
            'related' => 'booking',
            'that' => [
                'all' => [
                    ['field' => 'booking.state', 'test' => 'is', 'value' => 'booked'],
                    ['field' => 'booking.starts_at', 'test' => 'within_next', 'value' => 7],
                ],
            ],
        ];
        yield 'an upcoming booking' => [$coming, $bookings, 'True', 'condition.related'];
        yield 'no upcoming booking' => [$coming + ['has' => false], $bookings, 'False', 'condition.related'];
        yield 'none that fits' => [
            ['related' => 'booking', 'that' => ['field' => 'booking.state', 'test' => 'is', 'value' => 'came']], $bookings, 'False',
            'condition.none_fits',
        ];
        yield 'any at all' => [['related' => 'invoice'], [], 'False', 'condition.no_related'];
        yield 'one of which it cannot be told' => [
            ['related' => 'booking', 'that' => ['field' => 'booking.price', 'test' => 'more', 'value' => 9]], $bookings, 'Unknown',
            'condition.related_unknown',
        ];
        yield 'and unknown stays unknown turned round' => [
            ['related' => 'booking', 'that' => ['field' => 'booking.price', 'test' => 'more', 'value' => 9], 'has' => false], $bookings,
            'Unknown', 'condition.related_unknown',
        ];
        $texts = [
            'lastTexts' => ['7' => new \DateTimeImmutable('2026-02-28T10:00:01Z'), '8' => new \DateTimeImmutable('2026-02-20T10:00:00Z')],
            'ruleId' => '8',
        ];
        yield 'a text of any rule in two days' => [['had_text' => 'of_any_rule', 'days' => 2], $texts, 'True', 'condition.last_text'];
        yield 'none of this rule' => [['had_text' => 'of_this_rule', 'days' => 2, 'has' => false], $texts, 'True', 'condition.last_text'];
        yield 'no text yet' => [['had_text' => 'of_any_rule', 'days' => 30], [], 'False', 'condition.no_text_yet'];
        $owned = ['facts' => Facts::of(['deal' => ['owner' => new Staff(1, 'Tom Reyes', 'tom@osierquay.example', null, false)]])];
        yield 'a member of staff by name' => [
            ['field' => 'deal.owner', 'test' => 'is', 'value' => 'Tom Reyes'], $owned, 'True', 'condition.value',
        ];
        yield 'or by email' => [
            ['field' => 'deal.owner', 'test' => 'is', 'value' => 'Tom@osierquay.example'], $owned, 'True', 'condition.value',
        ];
        yield 'and their own switch' => [
            ['field' => 'deal.owner.texts_allowed', 'test' => 'is', 'value' => true], $owned, 'False', 'condition.value',
        ];
        yield 'whom nobody owns' => [
            ['field' => 'deal.owner.texts_allowed', 'test' => 'is', 'value' => true], [], 'Unknown', 'condition.unknown',
        ];
        yield 'none of several, one unknown' => [
            ['none' => [['tag' => 'x'], ['field' => 'deal.value', 'test' => 'more', 'value' => 1]]], [], 'Unknown', 'condition.unknown',
        ];
    }

    private function contextOf(): EvaluationContext
    {
        return Situations::at('2026-03-02T10:00:00Z');
    }
}
