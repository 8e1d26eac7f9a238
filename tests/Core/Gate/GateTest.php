<?php

declare(strict_types=1);

namespace Tests\Core\Gate;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Step\TextKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Situations;

final class GateTest extends TestCase
{
    #[DataProvider('texts')]
    public function testJudges(Candidate $text, string $say, string $code, ?string $until = null, string $now = '2026-03-02T10:00:00Z'): void
    {
        $verdict = Gate::judge($text, Situations::policy(), new \DateTimeImmutable($now))->verdict();

        self::assertSame([$say, $code, $until], [$verdict->say->value, $verdict->reason->code, $verdict->until?->format('D H:i')]);
    }

    /** @return iterable<string, array<mixed>> */
    public static function texts(): iterable
    {
        $r = Situations::receiver(...);
        yield 'all is well' => [self::text(), 'pass', 'gate.decent_hour'];
        yield 'the rule is off' => [self::text(rule: Power::Paused), 'hold', 'gate.rule_paused'];
        yield 'the rule is no more' => [self::text(rule: Power::Retired), 'drop', 'gate.rule_retired'];
        yield 'the line is off' => [self::text(line: Power::Paused), 'hold', 'gate.line_paused'];
        yield 'everything is off' => [self::text(business: Power::Paused), 'hold', 'gate.business_paused'];
        yield 'no number' => [self::text(to: $r(number: null)), 'drop', 'gate.no_number'];
        yield 'a landline' => [self::text(to: $r(kind: NumberKind::Landline)), 'drop', 'gate.number_landline'];
        yield 'a number nobody has' => [self::text(to: $r(alive: false)), 'drop', 'gate.number_dead'];
        yield 'said stop' => [self::text(to: $r(optedOut: true)), 'drop', 'gate.opted_out'];
        yield 'marketing without consent' => [self::text(kind: TextKind::Marketing), 'drop', 'gate.no_opt_in'];
        yield 'marketing with it' => [self::text(kind: TextKind::Marketing, to: $r(optedIn: true)), 'pass', 'gate.decent_hour'];
        yield 'marketing on a day it has no hours' => [self::text(kind: TextKind::Marketing, to: $r(optedIn: true)), 'hold', 'gate.outside_hours', 'Mon 09:00', '2026-03-04T10:00:00Z'];
        yield 'the same words just now' => [self::text(same: '2026-03-02T09:00:01Z'), 'drop', 'gate.same_text'];
        yield 'the same words an hour ago' => [self::text(same: '2026-03-02T09:00:00Z'), 'pass', 'gate.decent_hour'];
        yield 'night in Toronto' => [self::text(to: $r(['America/Toronto'])), 'hold', 'gate.outside_hours', 'Mon 13:00', '2026-03-02T07:00:00Z'];
        yield 'night in one of two zones' => [self::text(to: $r(['Australia/Sydney', 'Australia/Perth'])), 'hold', 'gate.outside_hours', 'Tue 00:00', '2026-03-02T22:00:00Z'];
        yield 'the first that does not pass decides' => [self::text(to: $r(['America/Toronto'], optedOut: true), rule: Power::Paused), 'hold', 'gate.rule_paused', null, '2026-03-02T07:00:00Z'];
        yield 'staff may write at night' => [self::text(Origin::Staff, to: $r(['America/Toronto']), same: '2026-03-02T06:59:00Z'), 'pass', 'gate.not_opted_out', null, '2026-03-02T07:00:00Z'];
        yield 'staff may not write past a stop' => [self::text(Origin::Staff, to: $r(optedOut: true)), 'drop', 'gate.opted_out'];
        yield 'the answer to STOP goes out' => [self::text(Origin::Words, to: $r(optedOut: true)), 'pass', 'gate.not_opted_out'];
    }

    public function testEveryCheckAskedIsToldInOrder(): void
    {
        $codes = array_map(fn (Verdict $v): string => $v->reason->code, Gate::judge(self::text(), Situations::policy(), new \DateTimeImmutable('2026-03-02T10:00:00Z'))->verdicts);

        self::assertSame(['gate.on', 'gate.number_kind_mobile', 'gate.not_opted_out', 'gate.not_said_before', 'gate.decent_hour'], $codes);
    }

    private static function text(
        Origin $origin = Origin::Rule, TextKind $kind = TextKind::Service, ?Receiver $to = null, Power $rule = Power::On,
        Power $line = Power::On, Power $business = Power::On, ?string $same = null,
    ): Candidate {
        return new Candidate($origin, $kind, 'Hello', $to ?? Situations::receiver(), $rule, $line, 'front desk', $business, $same === null ? null : new \DateTimeImmutable($same));
    }
}
