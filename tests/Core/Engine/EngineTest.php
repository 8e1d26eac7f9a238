<?php

declare(strict_types=1);

namespace Tests\Core\Engine;

use Linnet\Core\Context\DeliveryStatus;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Advanced;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\Effect;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Engine;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\CalendarCame;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Record\Change\DateCame;
use Linnet\Core\Record\Change\RecordAdded;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Record\Change\WentQuiet;
use Linnet\Core\Record\Standing;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Rules;
use Tests\Support\Situations;

final class EngineTest extends TestCase
{
    private const BEGAN = '2026-03-02T10:00:00Z';

    /** @param  array<string, mixed>  $again */
    #[DataProvider('policies')]
    public function testWhatKeepsTwoRunsApart(array $again, ?int $personId, ?string $last, ?string $occasion, string $code): void
    {
        $rule = Rules::whenCallIsMissed()->again($again)->text('Hi')->build();
        $starts = Engine::start(
            [new Published('9', $rule, $last === null ? null : new \DateTimeImmutable($last))], new RecordAdded('call'),
            Situations::at(self::BEGAN), new Subject($personId, 5), '77',
        )->starts;

        self::assertSame([$occasion, $code], [$starts[0]->occasion, $starts[0]->reason->code]);
    }

    /** @return iterable<string, array<mixed>> */
    public static function policies(): iterable
    {
        yield 'once for each record' => [['policy' => 'once_per_record'], 3, null, 'record:5', 'start.began'];
        yield 'once ever for each person' => [['policy' => 'once_per_person'], 3, null, 'person:3', 'start.began'];
        yield 'every time it comes about' => [['policy' => 'once_per_occasion'], 3, null, 'change:77', 'start.began'];
        yield 'within the days' => [['policy' => 'not_within', 'days' => 2], 3, '2026-02-28T10:00:01Z', null, 'start.again_too_soon'];
        yield 'after the days' => [['policy' => 'not_within', 'days' => 2], 3, '2026-02-28T10:00:00Z', 'change:77', 'start.began'];
        yield 'nobody to text' => [['policy' => 'once_per_record'], null, null, null, 'start.nobody'];
    }

    /**
     * @param  array<string, mixed>  $trigger
     * @param  array{every_time: string, once_per_occasion: string}  $expected  by how often it may start
     */
    #[DataProvider('occasions')]
    public function testWhatTellsOneOccasionFromAnother(array $trigger, Change $change, Subject $subject, array $expected): void
    {
        $started = [];
        foreach (array_keys($expected) as $policy) {
            $document =
                ['trigger' => $trigger, 'conditions' => ['all' => []]] +
                Rules::whenCallIsMissed()
                    ->again(['policy' => $policy])
                    ->text('Hi')
                    ->document();
            $started[$policy] =
                Engine::start(
                    [new Published('9', Rule::fromJson(json_encode($document, JSON_THROW_ON_ERROR)))], $change, Situations::at(self::BEGAN),
                    $subject, '77',
                )->starts[0]->occasion ?? null;
        }

        self::assertSame($expected, $started);
    }

    /** @return iterable<string, array{array<string, mixed>, Change, Subject, array{every_time: string, once_per_occasion: string}}> */
    public static function occasions(): iterable
    {
        $at = new \DateTimeImmutable('2026-03-14T09:00:00Z');
        $stamp = $at->getTimestamp();
        $lesson = new Subject(3, 5, $at);
        $offset = ['amount' => 1, 'unit' => 'days', 'side' => 'before', 'time' => '10:00'];
        yield 'something is added' => [
            ['on' => 'record_added', 'type' => 'call'], new RecordAdded('call'), new Subject(3, 5),
            ['every_time' => 'change:77', 'once_per_occasion' => 'change:77'],
        ];
        // A lesson at the same time is the same occasion, one that was moved is not.
        yield 'a lesson is added' => [
            ['on' => 'record_added', 'type' => 'booking'], new RecordAdded('booking'), $lesson,
            ['every_time' => 'change:77', 'once_per_occasion' => "at:record:5:person:3:$stamp"],
        ];
        yield 'a lesson changes' => [
            ['on' => 'record_changed', 'type' => 'booking', 'field' => 'state'],
            new RecordChanged('booking', ['state' => 'booked'], ['state' => 'came']), $lesson,
            ['every_time' => 'change:77', 'once_per_occasion' => "at:record:5:person:3:$stamp"],
        ];
        // What comes by the clock comes once, even where it is looked for twice.
        yield 'a date comes' => [
            ['on' => 'date_reached', 'type' => 'booking', 'field' => 'starts_at', 'offset' => $offset],
            new DateCame('9', $at->modify('-1 day'), $at, false), $lesson,
            ['every_time' => "date:record:5:person:3:$stamp", 'once_per_occasion' => "date:record:5:person:3:$stamp"],
        ];
        yield 'it goes quiet' => [
            ['on' => 'gone_quiet', 'type' => 'basket', 'while' => ['all' => []], 'for' => ['amount' => 1, 'unit' => 'hours']],
            new WentQuiet('9', $at), new Subject(3, 5),
            ['every_time' => "quiet:record:5:person:3:$stamp", 'once_per_occasion' => "quiet:record:5:person:3:$stamp"],
        ];
        yield 'the calendar comes' => [
            ['on' => 'calendar', 'at' => '2026-03-14T09:00', 'audience' => ['of' => 'person', 'condition' => ['all' => []]]],
            new CalendarCame('9', $at), new Subject(3),
            ['every_time' => "calendar:person:3:$stamp", 'once_per_occasion' => "calendar:person:3:$stamp"],
        ];
    }

    public function testARuleThatDoesNotConcernTheChangeIsNotSpokenOf(): void
    {
        $rule = Rules::whenCallIsMissed()->text('Hi')->build();
        $start = fn ($change): array => Engine::start(
            [new Published('9', $rule)], $change, Situations::at(self::BEGAN), new Subject(3, 5), '77',
        )->starts;

        self::assertSame([], $start(new RecordAdded('booking')));
        self::assertSame([], $start(new RecordChanged('call', [], ['outcome' => 'missed'])));
    }

    public function testEnteringAStage(): void
    {
        $document = Rules::whenCallIsMissed()->text('Hi')->document();
        $rule = Rule::fromJson(
            json_encode(
                [
                    'conditions' => ['all' => []],
                    'trigger' => ['on' => 'record_changed', 'type' => 'job', 'field' => 'stage', 'to' => 'Ready'],
                ] + $document,
                JSON_THROW_ON_ERROR,
            ),
        );

        self::assertTrue($rule->trigger->meets(new RecordChanged('job', ['stage' => 'Doing'], ['stage' => 'ready']), '9'));
        self::assertFalse($rule->trigger->meets(new RecordChanged('job', ['stage' => 'Ready'], ['stage' => 'Done']), '9'));
        self::assertFalse($rule->trigger->meets(new RecordChanged('job', ['name' => 'a'], ['name' => 'Ready']), '9'));
    }

    public function testAConditionThatFailsAndAnOptOutAreSaid(): void
    {
        $rule = Rules::whenCallIsMissed()
            ->onlyIf(['hours' => 'closed'])
            ->text('Hi')
            ->build();
        $code = fn (Rule $rule, bool $optedOut): string => Engine::start(
            [new Published('9', $rule)], new RecordAdded('call'), Situations::at(self::BEGAN, optedOut: $optedOut), new Subject(3, 5), '77',
        )->starts[0]->reason->code;

        self::assertSame('condition.open', $code($rule, false));
        self::assertSame('start.opted_out', $code(Rules::whenCallIsMissed()->text('Hi')->build(), true));
    }

    public function testGoesStepByStep(): void
    {
        $rule = Rules::whenCallIsMissed()
            ->wait(2, 'minutes')
            ->text('First')
            ->wait(1, 'days')
            ->goOnOnlyIfNotReplied()
            ->text('Second')
            ->end('no answer')
            ->build();
        $began = self::look($rule, null, self::BEGAN);
        self::assertSame(['s1', '2026-03-02 10:02:00', []], self::summary($began));

        $early = self::look($rule, $began, '2026-03-02T10:01:59Z');
        self::assertSame(['s1', '2026-03-02 10:02:00', []], self::summary($early));

        $first = self::look($rule, $began, '2026-03-02T10:02:00Z');
        self::assertSame(['s2', null, ['send s2/1']], self::summary($first));

        $held = self::look($rule, $first, '2026-03-02T12:00:00Z', ['s2/1' => DeliveryStatus::waiting()]);
        self::assertSame(['s2', null, []], self::summary($held));

        $left = self::look($rule, $held, '2026-03-02T13:00:00Z', [
            's2/1' => DeliveryStatus::left(new \DateTimeImmutable('2026-03-02T13:00:00Z')),
        ]);
        self::assertSame(['s3', '2026-03-03 13:00:00', []], self::summary($left));

        $second = self::look($rule, $left, '2026-03-03T13:00:00Z');
        self::assertSame(['s5', null, ['send s5/1']], self::summary($second));

        $over = self::look($rule, $second, '2026-03-03T13:00:00Z', [
            's5/1' => DeliveryStatus::left(new \DateTimeImmutable('2026-03-03T13:00:00Z')),
        ]);
        self::assertSame([null, null, []], self::summary($over));
        self::assertSame('no answer', $over->state->outcome);
    }

    public function testWhatFollowsATextWaitsUntilItIsTakenAndIsPassedOverWhereNobodyTakesIt(): void
    {
        $rule = Rules::whenCallIsMissed()->text('First')->wait(1, 'days')->text('Second')->build();
        $at = new \DateTimeImmutable(self::BEGAN);
        $left = self::look($rule, self::look($rule, null, self::BEGAN), self::BEGAN, ['s1/1' => DeliveryStatus::leaving($at)]);
        self::assertSame(
            ['s2', '2026-03-03 10:00:00', []],
            self::summary($left),
            'in the moment in which it passes the gate it counts as gone',
        );

        $due = self::look($rule, $left, '2026-03-03T10:00:00Z', ['s1/1' => DeliveryStatus::leaving($at)]);
        self::assertSame(['s2', '2026-03-03 10:10:00', []], self::summary($due));
        $taken = self::look($rule, $due, '2026-03-03T10:05:00Z', ['s1/1' => DeliveryStatus::left($at)]);
        self::assertSame(['s3', null, ['send s3/1']], self::summary($taken));
        $failed = self::look($rule, $due, '2026-03-03T10:05:00Z', ['s1/1' => DeliveryStatus::failed($at)]);
        self::assertSame([null, null, []], self::summary($failed));
        self::assertSame('never_left', $failed->state->outcome);
        // Whoever has answered meanwhile gets neither.
        $answered = self::look($rule, $left, '2026-03-02T12:00:00Z', ['s1/1' => DeliveryStatus::leaving($at)], '2026-03-02T11:00:00Z');
        self::assertSame([null, null, ['drop s1/1 stop.replied']], self::summary($answered));
    }

    public function testAReminderOfItsOwnDateStillGoesAfterOneThatNeverLeft(): void
    {
        $rule = Rules::whenCallIsMissed()
            ->text('First')
            ->wait(1, 'days')
            ->text('Second')
            ->waitForDate('call.due', 1, 'days')
            ->text('Tomorrow')
            ->build();
        $facts = ['call' => ['outcome' => 'missed', 'due' => '2026-03-20T10:00:00Z']];
        $at = new \DateTimeImmutable(self::BEGAN);
        $left = self::look($rule, self::look($rule, null, self::BEGAN), self::BEGAN, ['s1/1' => DeliveryStatus::leaving($at)]);
        $failed = Engine::advance(
            $rule,
            $left->state,
            Situations::at('2026-03-03T10:05:00Z', $facts)->later(new \DateTimeImmutable('2026-03-03T10:05:00Z'), [
                's1/1' => DeliveryStatus::failed($at),
            ]),
        );

        self::assertSame(['s4', '2026-03-19 10:00:00', []], self::summary($failed));
    }

    public function testALookUpThatNeverComesIsWaitedForAnHour(): void
    {
        $rule = Rules::whenCallIsMissed()->lookUp()->text('First')->build();
        $mobile = new Standing(number: NumberKind::Mobile);
        $knows = fn (string $now): EvaluationContext => Situations::at($now)->with(['standing' => $mobile]);
        $asked = Engine::advance(
            $rule,
            RunState::begin('s1', new \DateTimeImmutable('2026-03-02T08:00:00Z')),
            $knows('2026-03-02T10:00:00Z'),
        );
        self::assertSame(['s1', '2026-03-02 11:00:00'], array_slice(self::summary($asked), 0, 2));
        self::assertSame('s1', Engine::advance($rule, $asked->state, $knows('2026-03-02T10:59:59Z'))->state->step);
        self::assertSame('s2', Engine::advance($rule, $asked->state, $knows('2026-03-02T11:00:00Z'))->state->step);
    }

    public function testAReplyEndsItAndDropsWhatWaits(): void
    {
        $rule = Rules::whenCallIsMissed()->text('First')->wait(1, 'days')->text('Second')->build();
        $first = self::look($rule, null, self::BEGAN);
        $replied = self::look($rule, $first, '2026-03-02T10:05:00Z', replied: '2026-03-02T10:04:00Z');

        self::assertSame([null, null, ['drop s1/1 stop.replied']], self::summary($replied));
        self::assertSame('replied', $replied->state->outcome);
    }

    public function testAReplyFromBeforeDoesNotCount(): void
    {
        $rule = Rules::whenCallIsMissed()->text('First')->build();

        self::assertSame(['s1', null, ['send s1/1']], self::summary(self::look($rule, null, self::BEGAN, replied: '2026-03-02T09:59:59Z')));
    }

    public function testOneThatGoesOnAfterAReplyStillLooksWhetherThereWasOne(): void
    {
        $rule = Rules::whenCallIsMissed()->evenIfTheyReply()->wait(1, 'hours')->goOnOnlyIfNotReplied()->text('Hi')->build();
        $began = self::look($rule, null, self::BEGAN);
        $looked = self::look($rule, $began, '2026-03-02T11:00:00Z', replied: '2026-03-02T10:30:00Z');

        self::assertSame([null, null, []], self::summary($looked));
        self::assertSame(['run.not_going_on'], array_map(fn (Reason $r): string => $r->code, $looked->trace));
    }

    public function testNothingIsWantedAfterAnOptOut(): void
    {
        mt_srand(3);
        for ($i = 0; $i < 300; $i++) {
            $builder = Rules::whenCallIsMissed()->evenIfTheyReply();
            for ($n = mt_rand(1, 6); $n > 0; $n--) {
                mt_rand(0, 1) === 1 ? $builder->text('Hi') : $builder->wait(mt_rand(0, 3), ['minutes', 'hours', 'days'][mt_rand(0, 2)]);
            }
            $rule = $builder->build();
            $outcome = null;
            $now = new \DateTimeImmutable(self::BEGAN);
            $statuses = [];
            $outAt = mt_rand(0, 5);
            for ($look = 0; $look < 12; $look++) {
                $outcome = self::look($rule, $outcome, $now->format(DATE_ATOM), $statuses, optedOut: $look >= $outAt);
                foreach ($outcome->effects as $effect) {
                    self::assertFalse($effect instanceof SendText && $look >= $outAt, 'a text was wanted after the opt-out');
                    $statuses += $effect instanceof SendText ? [$effect->name => DeliveryStatus::left($now)] : [];
                }
                if ($outcome->state->isOver()) {
                    break;
                }
                $now = $outcome->wake ?? $now;
            }
            self::assertTrue($outcome->state->isOver());
        }
    }

    public function testTheSameInputsGiveTheSameOutputsAndAStoredStateIsTheState(): void
    {
        $rule = Rules::whenCallIsMissed()->waitUntil('09:00', 'theirs')->text('Hi')->build();
        $a = self::look($rule, null, self::BEGAN);

        self::assertEquals($a, self::look($rule, null, self::BEGAN));
        self::assertEquals($a->state, RunState::fromArray($a->state->toArray()));
    }

    /** @param  array<string, DeliveryStatus>  $statuses */
    private static function look(
        Rule $rule,
        ?Advanced $before,
        string $now,
        array $statuses = [],
        ?string $replied = null,
        bool $optedOut = false,
    ): Advanced {
        return Engine::advance(
            $rule,
            $before->state ?? RunState::begin($rule->steps[0]->id(), new \DateTimeImmutable($now)),
            Situations::at($now, optedOut: $optedOut, lastReplyAt: $replied)->later(new \DateTimeImmutable($now), $statuses),
        );
    }

    /** @return array{string|null, string|null, list<string>} */
    private static function summary(Advanced $outcome): array
    {
        return [$outcome->state->step, $outcome->wake?->format('Y-m-d H:i:s'), array_map(
            fn (Effect $effect): string => match (true) {
                $effect instanceof DropText => "drop $effect->name {$effect->reason->code}",
                $effect instanceof SendText => "send $effect->name",
                default => $effect::class,
            }, $outcome->effects,
        )];
    }
}
