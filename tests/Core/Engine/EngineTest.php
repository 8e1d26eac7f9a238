<?php

declare(strict_types=1);

namespace Tests\Core\Engine;

use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Engine;
use Linnet\Core\Engine\Outcome;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\TextFate;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\RecordAdded;
use Linnet\Core\Record\Change\RecordChanged;
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
    public function testWhatKeepsTwoRunsApart(array $again, ?string $personId, ?string $last, ?string $occasion, string $code): void
    {
        $rule = Rules::whenCallIsMissed()->again($again)->text('Hi')->build();
        $starts = Engine::start(
            [new Published('9', $rule, $last === null ? null : new \DateTimeImmutable($last))], new RecordAdded('call'), Situations::at(self::BEGAN), $personId, '5', '77',
        );

        self::assertSame([$occasion, $code], [$starts[0]->occasion, $starts[0]->reason->code]);
    }

    /** @return iterable<string, array<mixed>> */
    public static function policies(): iterable
    {
        yield 'once for each record' => [['policy' => 'once_per_record'], '3', null, 'record:5', 'start.began'];
        yield 'once ever for each person' => [['policy' => 'once_per_person'], '3', null, 'person:3', 'start.began'];
        yield 'every time it comes about' => [['policy' => 'once_per_occasion'], '3', null, 'change:77', 'start.began'];
        yield 'within the days' => [['policy' => 'not_within', 'days' => 2], '3', '2026-02-28T10:00:01Z', null, 'start.again_too_soon'];
        yield 'after the days' => [['policy' => 'not_within', 'days' => 2], '3', '2026-02-28T10:00:00Z', 'change:77', 'start.began'];
        yield 'nobody to text' => [['policy' => 'once_per_record'], null, null, null, 'start.nobody'];
    }

    public function testARuleThatDoesNotConcernTheChangeIsNotSpokenOf(): void
    {
        $rule = Rules::whenCallIsMissed()->text('Hi')->build();
        $start = fn ($change): array => Engine::start([new Published('9', $rule)], $change, Situations::at(self::BEGAN), '3', '5', '77');

        self::assertSame([], $start(new RecordAdded('booking')));
        self::assertSame([], $start(new RecordChanged('call', [], ['outcome' => 'missed'])));
    }

    public function testEnteringAStage(): void
    {
        $document = Rules::whenCallIsMissed()->text('Hi')->document();
        $rule = Rule::fromJson(json_encode(['conditions' => ['all' => []], 'trigger' => ['on' => 'record_changed', 'type' => 'job', 'field' => 'stage', 'to' => 'Ready']] + $document, JSON_THROW_ON_ERROR));

        self::assertTrue($rule->trigger->meets(new RecordChanged('job', ['stage' => 'Doing'], ['stage' => 'ready'])));
        self::assertFalse($rule->trigger->meets(new RecordChanged('job', ['stage' => 'Ready'], ['stage' => 'Done'])));
        self::assertFalse($rule->trigger->meets(new RecordChanged('job', ['name' => 'a'], ['name' => 'Ready'])));
    }

    public function testAConditionThatFailsAndAnOptOutAreSaid(): void
    {
        $rule = Rules::whenCallIsMissed()->onlyIf(['hours' => 'closed'])->text('Hi')->build();
        $code = fn (Rule $rule, bool $optedOut): string => Engine::start([new Published('9', $rule)], new RecordAdded('call'), Situations::at(self::BEGAN, optedOut: $optedOut), '3', '5', '77')[0]->reason->code;

        self::assertSame('condition.open', $code($rule, false));
        self::assertSame('start.opted_out', $code(Rules::whenCallIsMissed()->text('Hi')->build(), true));
    }

    public function testGoesStepByStep(): void
    {
        $rule = Rules::whenCallIsMissed()->wait(2, 'minutes')->text('First')->wait(1, 'days')->goOnOnlyIfNotReplied()->text('Second')->end('no answer')->build();
        $began = self::look($rule, null, self::BEGAN);
        self::assertSame(['s1', '2026-03-02 10:02:00', []], self::summary($began));

        $early = self::look($rule, $began, '2026-03-02T10:01:59Z');
        self::assertSame(['s1', '2026-03-02 10:02:00', []], self::summary($early));

        $first = self::look($rule, $began, '2026-03-02T10:02:00Z');
        self::assertSame(['s2', null, ['send s2/1']], self::summary($first));

        $held = self::look($rule, $first, '2026-03-02T12:00:00Z', ['s2/1' => TextFate::Waiting]);
        self::assertSame(['s2', null, []], self::summary($held));

        $left = self::look($rule, $held, '2026-03-02T13:00:00Z', ['s2/1' => TextFate::Left]);
        self::assertSame(['s3', '2026-03-03 13:00:00', []], self::summary($left));

        $second = self::look($rule, $left, '2026-03-03T13:00:00Z');
        self::assertSame(['s5', null, ['send s5/1']], self::summary($second));

        $over = self::look($rule, $second, '2026-03-03T13:00:00Z', ['s5/1' => TextFate::Left]);
        self::assertSame([null, null, []], self::summary($over));
        self::assertSame('no answer', $over->state->outcome);
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
        self::assertSame(['condition.replied'], array_map(fn (Reason $r): string => $r->code, $looked->trace));
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
            $fates = [];
            $outAt = mt_rand(0, 5);
            for ($look = 0; $look < 12; $look++) {
                $outcome = self::look($rule, $outcome, $now->format(DATE_ATOM), $fates, optedOut: $look >= $outAt);
                foreach ($outcome->effects as $effect) {
                    self::assertFalse($effect instanceof SendText && $look >= $outAt, 'a text was wanted after the opt-out');
                    $fates[$effect->name] = TextFate::Left;
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

    /** @param  array<string, TextFate>  $fates */
    private static function look(Rule $rule, ?Outcome $before, string $now, array $fates = [], ?string $replied = null, bool $optedOut = false): Outcome
    {
        return Engine::advance(
            $rule,
            $before->state ?? RunState::begin($rule->steps[0]->id(), new \DateTimeImmutable($now)),
            Situations::at($now, optedOut: $optedOut, lastReplyAt: $replied)->later(new \DateTimeImmutable($now), $fates),
        );
    }

    /** @return array{string|null, string|null, list<string>} */
    private static function summary(Outcome $outcome): array
    {
        return [$outcome->state->step, $outcome->wake?->format('Y-m-d H:i:s'), array_map(
            fn ($effect): string => $effect instanceof DropText ? "drop $effect->name {$effect->reason->code}" : "send $effect->name", $outcome->effects,
        )];
    }
}
