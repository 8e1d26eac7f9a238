<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\TestCase;
use Tests\Support\Rules;
use Tests\Support\Worlds;

/** Each trigger, step and rule-wide setting in a small world, told by what leaves when and what is done. */
final class StepsTest extends TestCase
{
    private const BO = '+447700900322';

    public function testAReminderFollowsABookingThatMoves(): void
    {
        $world = $this->booked()->happens('2026-03-08T09:00:00Z', 'b', 'booking', null, ['starts_at' => '2026-03-12T14:00:00Z']);

        self::assertSame(
            [
                '11 Mar 10:00 Osier Quay Boathouse: Bo, your tour is tomorrow at 14:00. Still coming? Answer YES or CANCEL. Reply STOP to hear no more.',
            ],
            $this->lived($world, 'lesson-reminder'),
        );
    }

    public function testABookingMovedAfterItsReminderIsANewOccasionAndTheSameDateIsNot(): void
    {
        $world = $this->booked()
            ->happens('2026-03-09T12:00:00Z', 'b', 'booking', null, ['starts_at' => '2026-03-13T09:00:00Z'])
            ->happens('2026-03-09T13:00:00Z', 'b', 'booking', null, ['starts_at' => '2026-03-10T10:00:00Z']);

        self::assertSame(
            ['9 Mar 10:00'],
            array_map(fn (string $text): string => substr($text, 0, 11), $this->lived($world, 'lesson-reminder')),
        );
    }

    public function testALateReminderGoesOnlyWhileThereIsTime(): void
    {
        $book = fn (string $at): Worlds => Worlds::boathouse()
            ->person('bo', self::BO)
            ->happens($at, 'b', 'booking', 'bo', ['lesson' => 'tour', 'state' => 'booked', 'starts_at' => '2026-03-10T14:00:00Z']);

        self::assertCount(1, $this->lived($book('2026-03-10T10:30:00Z'), 'lesson-reminder'));
        self::assertSame([], $this->lived($book('2026-03-10T11:30:00Z'), 'lesson-reminder'));
        self::assertSame([], $this->lived($book('2026-03-10T15:00:00Z'), 'lesson-reminder'));
    }

    public function testAnAnswerActsAnUnclearOneIsAskedOnceMoreAndNoneIsTold(): void
    {
        $yes = $this->live(
            $this->booked()
                ->text('2026-03-09T11:00:00Z', 'bo', 'what?')
                ->text('2026-03-09T11:05:00Z', 'bo', 'hm')
                ->text('2026-03-09T11:10:00Z', 'bo', 'YES!'),
            'lesson-reminder',
        );
        self::assertSame(
            ['9 Mar 11:00 Sorry, was that YES or CANCEL?', '9 Mar 11:10 Good. Bring a towel and a dry set of clothes.'],
            array_slice($this->told($yes), 1),
        );

        $cancel = $this->live($this->booked()->text('2026-03-09T11:00:00Z', 'bo', 'cancel'), 'lesson-reminder');
        self::assertSame(['set', 'add_tag'], array_column($cancel->sideEffects(), 'what'));

        $silent = $this->live($this->booked(), 'lesson-reminder');
        self::assertSame(
            ['9 Mar 18:00 notice Bo has not said whether they come to the tour.'],
            array_map(
                fn (array $deed): string => "{$deed['at']->format('j M H:i')} {$deed['what']} {$deed['with']['words']}",
                $silent->sideEffects(),
            ),
        );
    }

    public function testAnythingThatHappensStartsTheQuietAgain(): void
    {
        $world = Worlds::boathouse()
            ->person('bo', self::BO, ['consent' => ['marketing']])
            ->with('codes', ['welcome' => ['AB12']])
            ->happens('2026-03-02T10:00:00Z', 'k', 'basket', 'bo', [
                'what' => 'Tow line', 'state' => 'open', 'pieces' => 1, 'value' => 31.5, 'url' => 'https://shop.example/k',
            ])
            ->happens('2026-03-02T10:40:00Z', 'k', 'basket', null, ['pieces' => 2]);
        $texts = $this->lived($world, 'basket-left');

        self::assertSame(['2 Mar 11:40', '3 Mar 11:40'], array_map(fn (string $text): string => substr($text, 0, 11), $texts));
        self::assertMatchesRegularExpression(
            '#Tow line is still in your basket \(£31\.50\): https://texts\.example/l/[0-9A-Za-z]{10} #',
            $texts[0],
        );
        self::assertStringContainsString('with AB12:', $texts[1]);
    }

    public function testAGoalEndsItAndItsWorthIsKept(): void
    {
        $world = Worlds::boathouse()
            ->person('bo', self::BO, ['consent' => ['marketing']])
            ->happens('2026-03-02T10:00:00Z', 'k', 'basket', 'bo', [
                'what' => 'Tow line', 'state' => 'open', 'pieces' => 1, 'value' => 31.5, 'url' => 'https://shop.example/k',
            ])
            ->happens('2026-03-02T15:00:00Z', 'k', 'basket', null, ['state' => 'paid']);
        $lived = $this->live($world, 'basket-left');

        self::assertCount(1, $lived->sent());
        self::assertSame(['goal', '31.5'], [$lived->runs()[0]->state->outcome, $lived->runs()[0]->state->said['goal_value'] ?? null]);
    }

    public function testARepeatGoesRoundWithTheNextWordingAndStopsWhereItShould(): void
    {
        $offer = fn (): Worlds => Worlds::boathouse('2026-03-23T08:00:00Z', '2026-04-20T00:00:00Z')
            ->business('holidays', ['2026-04-03', '2026-04-06'])
            ->person('bo', self::BO)
            ->happens('2026-03-25T10:00:00Z', 'd', 'deal', 'bo', ['title' => 'Away day', 'stage' => 'offered', 'value' => 900]);
        $all = $this->live($offer(), 'offer-unanswered');

        // Three working days after 30 March, two holidays and a weekend left out.
        self::assertSame(
            ['30 Mar 09:00', '2 Apr 09:00'],
            array_map(fn (string $text): string => trim(substr($text, 0, 12)), $this->told($all)),
        );
        self::assertStringContainsString('hold the day', $this->told($all)[1]);
        self::assertSame('set', $all->sideEffects()[0]['what']);
        self::assertCount(
            1,
            $this->lived($offer()->happens('2026-03-31T10:00:00Z', 'd', 'deal', null, ['stage' => 'agreed']), 'offer-unanswered'),
        );
    }

    public function testARepeatAroundAnotherIsDoneAsOftenAsItSays(): void
    {
        $rule = Rules::whenCallIsMissed()
            ->evenIfTheyReply()
            ->text('One.')
            ->repeat('s1', 2, 'hours')
            ->repeat('s1', 1, 'days')
            ->build();
        $world = Worlds::boathouse()->policy(['same_text_seconds' => 0])->person('bo', self::BO)->call('2026-03-02T10:00:00Z', 'c', 'bo');

        // Three, and a day later three again.
        self::assertCount(6, Rehearsal::of($world->build(), [$rule])->sent());
    }

    public function testAnniversariesComeEachYearAndLeapDaysFallOnADayThereIs(): void
    {
        $world = fn (): Worlds => Worlds::boathouse('2026-01-01T08:00:00Z', '2028-12-31T00:00:00Z')->person('bo', self::BO, [
            'consent' => ['marketing'],
            'fields' => ['member_since' => '2020-02-29'],
        ]);
        $days = fn (Worlds $world): array => array_map(
            fn (OutText $text): ?string => $text->settledAt?->format('Y-m-d H:i'),
            $this->live($world, 'birthday')->sent(),
        );

        self::assertSame(['2026-02-28 11:00', '2027-02-28 11:00', '2028-02-29 11:00'], $days($world()));
        self::assertSame(
            ['2026-03-01 11:00', '2027-03-01 11:00', '2028-02-29 11:00'],
            $days($world()->business('leap_days_on', '1_march')),
        );
    }

    public function testACalendarReachesItsAudienceOnItsDays(): void
    {
        $world = Worlds::boathouse('2026-03-01T08:00:00Z', '2026-12-20T00:00:00Z')
            ->person('ana', '+447700900301', ['lists' => ['newsletter'], 'consent' => ['marketing']])
            ->person('bo', self::BO, ['lists' => ['newsletter']]);
        $sent = $this->live($world, 'first-monday')->sent();

        // From the first Monday of March, by the clock on the quay, until its last day.
        self::assertSame(
            ['2 Mar 10:00', '6 Apr 09:00', '4 May 09:00', '1 Jun 09:00', '6 Jul 09:00', '3 Aug 09:00', '7 Sep 09:00', '5 Oct 09:00'],
            array_map(fn (OutText $text): ?string => $text->settledAt?->format('j M H:i'), $sent),
        );
    }

    public function testAWordInIsAnsweredWithItsRemark(): void
    {
        self::assertStringContainsString(
            'Tomorrow at 3? Write back',
            $this->lived(
                Worlds::boathouse()->person('bo', self::BO)->text('2026-03-02T10:00:00Z', 'bo', 'Kayka Tomorrow at 3'),
                'word-kayak',
            )[0],
        );
    }

    public function testTextsWaitUntilTheyAreLetGo(): void
    {
        $late = fn (): Worlds => Worlds::boathouse()
            ->person('bo', self::BO)
            ->happens('2026-03-02T10:00:00Z', 'i', 'invoice', 'bo', [
                'number' => 'I-1', 'state' => 'sent', 'amount' => 90, 'due' => '2026-03-03',
            ]);

        self::assertSame([], $this->lived($late(), 'invoice-late'));
        self::assertStringStartsWith(
            '10 Mar 15:00',
            $this->lived($late()->event('2026-03-10T15:00:00Z', 'release', ['rule' => 'invoice-late']), 'invoice-late')[0],
        );
    }

    public function testRulesThatSetEachOtherOffAreCut(): void
    {
        $flip = fn (string $key, string $from, string $to): array => [
            'linnet_rule' => 1, 'name' => $key, 'key' => $key,
            'trigger' => ['on' => 'record_changed', 'type' => 'deal', 'field' => 'stage', 'to' => $from],
            'again' => ['policy' => 'every_time'], 'stop_early' => ['reply' => true],
            'steps' => [['id' => 's', 'do' => 'change', 'set' => ['deal.stage' => $to]]],
        ];
        $world = Worlds::boathouse()
            ->person('bo', self::BO)
            ->record('d', 'deal', 'bo', ['title' => 'A', 'stage' => 'asked'])
            ->with('rules', [$flip('ping', 'talked', 'offered'), $flip('pong', 'offered', 'talked')])
            ->happens('2026-03-02T10:00:00Z', 'd', 'deal', null, ['stage' => 'talked']);
        $lived = $this->live($world, 'word-level');

        self::assertCount(2, $lived->runs());
        self::assertContains('start.ring', array_map(fn (array $one): string => $one['reason']->code, $lived->trace()));
    }

    public function testAnotherRuleIsStartedAndStopped(): void
    {
        $find = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/demo/rules/find-out.json'), true, 64, JSON_THROW_ON_ERROR);
        $lived = $this->live(
            Worlds::boathouse()
                ->person('bo', self::BO, ['consent' => ['marketing']])
                ->with('codes', ['welcome' => ['AB12']])
                ->with('rules', [$find])
                ->event('2026-03-02T10:00:00Z', 'label', ['person' => 'bo', 'list' => 'newsletter', 'change' => 'added']),
            'joined-list',
        );

        // Monday's welcome; a day later, and then the next evening from Monday to Thursday.
        self::assertSame(['2 Mar 10:00', '3 Mar 17:30'], array_map(fn (string $text): string => substr($text, 0, 11), $this->told($lived)));
    }

    public function testAPauseKeepsThePlaceAndDropsWhatBecameStale(): void
    {
        $world = Worlds::boathouse()
            ->person('bo', self::BO)
            ->call('2026-03-02T10:00:00Z', 'c', 'bo')
            ->event('2026-03-02T10:01:00Z', 'rule', ['rule' => 'front-desk-missed-call', 'power' => 'paused']);
        $soon = clone $world;

        self::assertStringStartsWith(
            '2 Mar 10:30',
            $this->lived(
                $soon->event('2026-03-02T10:30:00Z', 'rule', ['rule' => 'front-desk-missed-call', 'power' => 'on']),
                'front-desk-missed-call',
            )[0],
        );
        $late = $this->live(
            $world->event('2026-03-03T08:00:00Z', 'rule', ['rule' => 'front-desk-missed-call', 'power' => 'on']),
            'front-desk-missed-call',
        );
        self::assertSame('gate.stale_by_pause', $late->texts()[0]->reason?->code);
    }

    private function booked(): Worlds
    {
        return Worlds::boathouse()
            ->person('bo', self::BO)
            ->record('b', 'booking', 'bo', [
                'lesson' => 'tour', 'state' => 'booked', 'starts_at' => '2026-03-10T10:00:00Z', 'instructor' => 1,
            ]);
    }

    private function live(Worlds $world, string $rule): RehearsalResult
    {
        return Rehearsal::of($world->build(), [Rule::fromJson((string) file_get_contents(dirname(__DIR__, 3)."/demo/rules/$rule.json"))]);
    }

    /** @return list<string> */
    private function lived(Worlds $world, string $rule): array
    {
        return $this->told($this->live($world, $rule));
    }

    /** @return list<string> when each text left, and its words */
    private function told(RehearsalResult $lived): array
    {
        return array_map(fn (OutText $text): string => "{$text->settledAt?->format('j M H:i')} {$text->composed?->body}", $lived->sent());
    }
}
