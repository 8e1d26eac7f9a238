<?php

declare(strict_types=1);

namespace Tests\Core\Gate;

use Linnet\Core\Document\Doc;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Health;
use Linnet\Core\Record\Pace;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Condition\Truth;
use Linnet\Core\Rule\Condition\Weighed;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Time\WeeklyHours;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Situations;

final class GateTest extends TestCase
{
    #[DataProvider('texts')]
    public function testJudges(
        Candidate $text,
        string $say,
        string $code,
        ?string $until = null,
        string $now = '2026-03-02T10:00:00Z',
    ): void {
        $verdict = Gate::judge($text, Situations::policy(), new \DateTimeImmutable($now))->verdict();

        self::assertSame([$say, $code, $until], [$verdict->say->value, $verdict->reason->code, $verdict->until?->format('D H:i')]);
    }

    /** @return iterable<string, array<mixed>> */
    public static function texts(): iterable
    {
        $r = Situations::receiver(...);
        yield 'all is well' => [self::text(), 'pass', 'gate.line_well'];
        yield 'the rule is off' => [self::text(rule: ActivationState::Paused), 'hold', 'gate.rule_paused'];
        yield 'the rule is no more' => [self::text(rule: ActivationState::Retired), 'drop', 'gate.rule_retired'];
        yield 'the line is off' => [self::text(line: ActivationState::Paused), 'hold', 'gate.line_paused'];
        yield 'everything is off' => [self::text(business: ActivationState::Paused), 'hold', 'gate.business_paused'];
        yield 'no number' => [self::text(to: $r(number: null)), 'drop', 'gate.no_number'];
        yield 'a landline' => [self::text(to: $r(kind: NumberKind::Landline)), 'drop', 'gate.number_landline'];
        yield 'a number nobody has' => [self::text(to: $r(alive: false)), 'drop', 'gate.number_dead'];
        yield 'said stop' => [self::text(to: $r(optedOut: true)), 'drop', 'gate.opted_out'];
        yield 'marketing without consent' => [self::text(kind: TextKind::Marketing), 'drop', 'gate.no_opt_in'];
        yield 'marketing with it' => [self::text(kind: TextKind::Marketing, to: $r(optedIn: true)), 'pass', 'gate.line_well'];
        yield 'marketing on a day it has no hours' => [
            self::text(kind: TextKind::Marketing, to: $r(optedIn: true)), 'hold', 'gate.outside_hours', 'Mon 09:00', '2026-03-04T10:00:00Z',
        ];
        yield 'the same words just now' => [self::text(same: '2026-03-02T09:00:01Z'), 'drop', 'gate.same_text'];
        yield 'the same words an hour ago' => [self::text(same: '2026-03-02T09:00:00Z'), 'pass', 'gate.line_well'];
        yield 'night in Toronto' => [
            self::text(to: $r(['America/Toronto'])), 'hold', 'gate.outside_hours', 'Mon 13:00', '2026-03-02T07:00:00Z',
        ];
        yield 'night in one of two zones' => [
            self::text(to: $r(['Australia/Sydney', 'Australia/Perth'])), 'hold', 'gate.outside_hours', 'Tue 00:00', '2026-03-02T22:00:00Z',
        ];
        yield 'the first that does not pass decides' => [
            self::text(to: $r(['America/Toronto'], optedOut: true), rule: ActivationState::Paused), 'hold', 'gate.rule_paused', null,
            '2026-03-02T07:00:00Z',
        ];
        yield 'staff may write at night' => [
            self::text(TextOrigin::Staff, to: $r(['America/Toronto']), same: '2026-03-02T06:59:00Z'), 'pass', 'gate.line_well', null,
            '2026-03-02T07:00:00Z',
        ];
        yield 'staff may not write past a stop' => [self::text(TextOrigin::Staff, to: $r(optedOut: true)), 'drop', 'gate.opted_out'];
        yield 'nobody has let it go' => [self::but(['released' => false]), 'hold', 'gate.not_released'];
        yield 'what reads like a stop' => [self::text(to: $r(mayHaveOptedOut: true)), 'hold', 'gate.may_have_opted_out'];
        yield 'the standing condition holds no longer' => [
            self::but([
                'standing' => new Weighed(Truth::False, new Reason('condition.value', ['field' => 'state', 'value' => 'cancelled'])),
            ]),
            'drop',
            'gate.no_longer',
        ];
        yield 'nor where it cannot be told' => [
            self::but(['standing' => new Weighed(Truth::Unknown, new Reason('condition.unknown', ['field' => 'state']))]),
            'drop',
            'gate.no_longer',
        ];
        yield 'a reminder after its event' => [
            self::but(['wantedAt' => self::at('09:00'), 'anchor' => self::at('10:00')]),
            'drop',
            'gate.after_its_event',
        ];
        yield 'a reminder a minute before' => [
            self::but(['wantedAt' => self::at('09:00'), 'anchor' => self::at('10:01')]),
            'pass',
            'gate.line_well',
        ];
        yield 'a thank-you is wanted after its event' => [
            self::but(['wantedAt' => self::at('09:30'), 'anchor' => self::at('09:00')]),
            'pass',
            'gate.line_well',
        ];
        yield 'wanted in a pause long ago' => [
            self::but(['wantedAt' => self::at('07:00'), 'pausedUntil' => self::at('09:00')]),
            'drop',
            'gate.stale_by_pause',
        ];
        yield 'wanted in a pause just ended' => [
            self::but(['wantedAt' => self::at('08:30'), 'pausedUntil' => self::at('09:00')]),
            'pass',
            'gate.line_well',
        ];
        yield 'the line is full' => [
            self::but(['pace' => new Pace(perMinute: 1), 'departed' => [1 => self::at('09:59')->getTimestamp() + 30]]), 'hold',
            'gate.line_busy', 'Mon 10:00',
        ];
        yield 'its place in the line has come' => [
            self::but(['pace' => new Pace(perMinute: 1), 'slot' => self::at('10:00')]),
            'pass',
            'gate.line_well',
        ];
        yield 'a place at night is put off until morning' => [
            self::but(['pace' => new Pace(perDay: 1), 'departed' => [1 => self::at('06:00')->getTimestamp()]]), 'hold', 'gate.line_busy',
            'Tue 08:00',
        ];
        yield 'the line does not send there' => [self::but(['lineCountries' => ['IE', 'FR']]), 'drop', 'gate.line_abroad'];
        yield 'the line sends there' => [self::but(['lineCountries' => ['IE', 'GB']]), 'pass', 'gate.line_well'];
        yield 'the line sends nothing at this hour' => [
            self::but(['lineHours' => WeeklyHours::daily('12:30', '18:00')]), 'hold', 'gate.line_closed', 'Mon 12:30',
        ];
        yield 'a spread is over the decent hours, not over the day' => [
            self::but([
                'pace' => new Pace(perDay: 3, even: true),
                'departed' => [1 => self::at('09:00')->getTimestamp(), 3 => self::at('09:00')->getTimestamp() - 86_400],
                'turn' => 0,
            ]),
            'hold',
            'gate.line_busy',
            'Mon 14:03',
        ];
        yield 'the line is unwell' => [self::but(['health' => new Health(100, 3)]), 'hold', 'gate.line_unwell'];
        yield 'too few to tell' => [self::but(['health' => new Health(20, 10)]), 'pass', 'gate.line_well'];
        yield 'the line ails' => [self::but(['health' => new Health(100, 2)]), 'pass', 'gate.line_ailing'];
        yield 'a colleague who wants no texts' => [self::text(TextOrigin::Notice, to: $r(optedOut: true)), 'drop', 'gate.staff_off'];
        yield 'the answer to STOP goes out' => [self::text(TextOrigin::Words, to: $r(optedOut: true)), 'pass', 'gate.not_opted_out'];
    }

    /** At 07:15 in Eucla and 06:30 in Perth, after 09:30 in Sydney, it is Perth that is waited for. */
    public function testWhatIsHeldNamesTheZoneThatIsWaitedFor(): void
    {
        $to = Situations::receiver(['Australia/Sydney', 'Australia/Eucla', 'Australia/Perth']);
        $held = Gate::judge(self::text(to: $to), Situations::policy(), new \DateTimeImmutable('2026-03-02T22:30:00Z'))->verdict();

        self::assertSame('Australia/Perth', $held->reason->with['zone']);
        self::assertSame('Tue 00:00', $held->until?->format('D H:i'));
    }

    public function testCapAndBudgetHold(): void
    {
        $policy = Policy::read(
            Doc::of(
                ['cap' => ['per_day' => 1], 'month_micros' => 100_000] + [
                    'decent_hours' => [
                        'service' => ['week' => array_fill_keys(WeeklyHours::DAYS, [['08:00', '20:30']])],
                        'marketing' => ['week' => []],
                    ],
                    'same_text_seconds' => 0,
                ],
            ),
        );
        $judge = fn (array $with): array => (fn (Verdict $v): array => [$v->reason->code, $v->until?->format('j M H:i')])(
            Gate::judge(self::but($with), $policy, self::at('10:00'))->verdict(),
        );

        self::assertSame(['gate.capped', '3 Mar 09:00'], $judge(['recent' => [self::at('09:00')]]));
        self::assertSame(
            ['gate.budget_spent', '31 Mar 23:00'],
            $judge(['spent' => 90_000, 'price' => 32_000, 'businessZone' => 'Europe/London']),
        );
        self::assertSame(['gate.line_well', null], $judge(['spent' => 68_000, 'price' => 32_000]));
    }

    public function testEveryCheckAskedIsToldInOrder(): void
    {
        $codes = array_map(
            fn (Verdict $v): string => $v->reason->code,
            Gate::judge(self::text(), Situations::policy(), new \DateTimeImmutable('2026-03-02T10:00:00Z'))->verdicts,
        );

        self::assertSame(
            [
                'gate.on', 'gate.number_kind_mobile', 'gate.not_opted_out', 'gate.nothing_standing', 'gate.timely', 'gate.not_said_before',
                'gate.not_capped', 'gate.decent_hour', 'gate.no_budget', 'gate.line_free', 'gate.line_well',
            ],
            $codes,
        );
    }

    /** @param  array<string, mixed>  $with what else is known of a text that would pass */
    private static function but(array $with): Candidate
    {
        return new Candidate(...[...get_object_vars(self::text()), ...$with]);
    }

    private static function at(string $time): \DateTimeImmutable
    {
        return new \DateTimeImmutable("2026-03-02T{$time}:00Z");
    }

    private static function text(
        TextOrigin $origin = TextOrigin::Rule,
        TextKind $kind = TextKind::Service,
        ?Receiver $to = null,
        ActivationState $rule = ActivationState::On,
        ActivationState $line = ActivationState::On,
        ActivationState $business = ActivationState::On,
        ?string $same = null,
    ): Candidate {
        return new Candidate(
            $origin, $kind, 'Hello', $to ?? Situations::receiver(), $rule, $line, 'front desk', $business,
            $same === null ? null : new \DateTimeImmutable($same),
        );
    }
}
