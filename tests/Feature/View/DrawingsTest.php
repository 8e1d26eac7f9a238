<?php

declare(strict_types=1);

namespace Tests\Feature\View;

use App\Clock\Day;
use App\Clock\TimeFormatter;
use App\Models\Rule;
use App\Pages\Rules\TimeLine;
use App\Pages\Rules\Writing;
use App\Pages\Today\DayDrawn;
use App\Rules\Vocabularies;
use Linnet\Core\Context\Subject;
use Linnet\Core\Prose\Language;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rule\Rule as Written;
use Linnet\Core\Time\WeeklyHours;
use Tests\Feature\TestCase;
use Tests\Support\Rules;
use Tests\Support\Situations;
use Tests\Support\Worlds;

final class DrawingsTest extends TestCase
{
    public function testTheTimeLineKeepsTheOrderShowsHoldsAndBreaksWhereNothingHappens(): void
    {
        $line = $this->draw(
            Rules::whenCallIsMissed()->waitUntil('09:00')->text('First')->wait(9, 'days')->text('Second'),
            'America/Toronto',
            '2026-03-02T06:50:00Z',
        );
        [$first, $second] = $line->marks();

        self::assertSame(['a', 'b'], [$first['letter'], $second['letter']]);
        self::assertSame(['08:00', 'held from 04:00'], [$first['when'], $first['why']]);
        self::assertSame([9], array_column($line->breaks, 'days'));
        self::assertTrue($line->anchorX() < $first['wantedX'] && $first['wantedX'] < $first['x'] && $first['x'] < $line->breaks[0]['from']);
        self::assertTrue($line->breaks[0]['to'] < $second['x'] && $second['x'] < $line->endX() && $line->endX() <= TimeLine::WIDTH);
    }

    public function testADayOfAnotherMonthSaysItsMonth(): void
    {
        $line = $this->draw(
            Rules::whenCallIsMissed()->text('First')->wait(28, 'days')->text('Second'),
            'Europe/London',
            '2026-02-16T10:00:00Z',
        );

        self::assertSame(['Mon 16 Feb', 'Mon 16 Mar'], array_column($line->days(), 'word'));
    }

    public function testNightsLieWhereNoTextMayLeave(): void
    {
        $line = $this->draw(
            Rules::whenCallIsMissed()->text('First')->wait(1, 'days')->text('Second'),
            'Europe/London',
            '2026-03-02T10:00:00Z',
        );
        [$first, $second] = $line->marks();

        self::assertCount(1, $line->nights());
        $share = ($line->nights()[0]['x'] - $first['x']) / ($second['x'] - $first['x']);
        self::assertEqualsWithDelta(10.5 / 24, $share, 0.01);
        self::assertEqualsWithDelta(11.5 / 24, $line->nights()[0]['width'] / ($second['x'] - $first['x']), 0.01);
    }

    public function testATextThatWouldNotLeaveIsDrawnAsLost(): void
    {
        $mark = $this->draw(Rules::whenCallIsMissed()->text('Hello {{ last_name }}'), 'Europe/London', '2026-03-02T10:00:00Z')->marks()[0];

        self::assertSame([true, 'not sent'], [$mark['lost'], $mark['why']]);
    }

    public function testTheFlagIsAsWideAsItsWordAndTheTextsBeginBehindIt(): void
    {
        $now = '2026-03-02T10:00:00Z';
        $of = fn (string $word): TimeLine => new TimeLine(
            $this->rehearse($rule = Rules::whenCallIsMissed()->text('First')->build(), 'Europe/London', $now),
            Situations::policy()->serviceHours, 'Europe/London', $word, $rule,
        );

        [$short, $long] = [$of('call'), $of('member’s anniversary')];
        self::assertSame([46.0, 156.0], [$short->flagWidth(), $long->flagWidth()]);
        self::assertGreaterThanOrEqual($long->flagWidth(), $long->anchorX());
        self::assertLessThan($long->anchorX(), $short->anchorX());
    }

    public function testTheDayIsDrawnByTheHoursOfItsOwnLength(): void
    {
        $spring = new Day('2026-03-29', 'Europe/London');
        $autumn = new Day('2026-10-25', 'Europe/London');

        self::assertSame([23, 25], [count($spring->hours()), count($autumn->hours())]);
        self::assertSame([0, 2], [$spring->hours()[0]['hour'], $spring->hours()[1]['hour']]);
        self::assertSame([1, 1], [$autumn->hours()[1]['hour'], $autumn->hours()[2]['hour']]);

        $drawn = new DayDrawn(
            new Day('2026-03-02', 'Europe/London'),
            new \DateTimeImmutable('2026-03-02T12:00:00Z'),
            WeeklyHours::daily('08:00', '20:00'),
            [...array_fill(0, 10, 0), 4, ...array_fill(0, 13, 0)],
            [...array_fill(0, 12, 0), 2, ...array_fill(0, 11, 0)],
        );
        self::assertEqualsWithDelta(DayDrawn::WIDTH / 2, $drawn->nowAt, 0.1);
        self::assertSame(['not before 08:00', 'not after 20:00'], array_column($drawn->nights, 'word'));
        self::assertSame(
            [[10, 4, false], [12, 2, true]],
            array_map(fn (array $bar): array => [$bar['hour'], $bar['count'], $bar['coming']], $drawn->bars),
        );
        self::assertGreaterThan($drawn->bars[1]['height'], $drawn->bars[0]['height']);
    }

    public function testEveryRuleOfTheDemoSaysItselfInOneSentence(): void
    {
        $language = new Language(Vocabularies::ours());
        $said = Rule::query()
            ->with('version')
            ->orderBy('id')
            ->get()
            ->map(fn (Rule $rule): string => Writing::inOneSentence($language, $rule->written()))
            ->all();

        self::assertSame([
            'When a call comes in, if its outcome is missed and its line is the front desk and we are open: 2 texts, until they reply.',
            'When a call comes in, if its outcome is missed and its line is the workshop and we are open: one text, until they reply.',
            'When a call comes in, if its outcome is missed and we are closed: one text, until they reply.',
        ], $said);
    }

    public function testPricesCountsAndSpansAreSaidAsAReaderWould(): void
    {
        self::assertSame(
            ['3.2p', '12p', '0p', '£12.40', '€0.06'],
            [
                TimeFormatter::price(32_000, 'GBP'), TimeFormatter::price(120_000, 'GBP'), TimeFormatter::price(0, 'GBP'),
                TimeFormatter::price(12_400_000, 'GBP'), TimeFormatter::price(60_000, 'EUR'),
            ],
        );
        self::assertSame(
            ['no texts', 'one text', 'four texts', '143 texts'],
            array_map(fn (int $n): string => TimeFormatter::count($n, 'text', 'texts'), [0, 1, 4, 143]),
        );
        $now = new \DateTimeImmutable('2026-03-02T12:00:00Z');
        self::assertSame(
            ['just now', '22 min', '3 h', '2 days'],
            array_map(fn (string $ago): string => TimeFormatter::since($now->modify($ago), $now), [
                '-20 seconds', '-22 minutes', '-3 hours', '-50 hours',
            ]),
        );
        $past = ['2026-03-02T09:58:00Z', '2026-02-24T00:00:00Z', '2026-02-23T23:59:00Z', '2025-12-31T12:00:00Z'];
        self::assertSame(['Mon 09:58', 'Tue 00:00', '23 Feb', '31 Dec 2025'], array_map(
            fn (string $at): string => TimeFormatter::past(
                new \DateTimeImmutable($at), new \DateTimeImmutable('2026-03-02T10:00:00Z'), 'Europe/London',
            ),
            $past,
        ));
        self::assertSame('New York', TimeFormatter::place('America/New_York'));
    }

    private function draw(Rules $rules, string $zone, string $now): TimeLine
    {
        $rule = $rules->build();

        return new TimeLine($this->rehearse($rule, $zone, $now), Situations::policy()->serviceHours, $zone, 'call', $rule);
    }

    private function rehearse(Written $rule, string $zone, string $now): Rehearsed
    {
        $sheet = Worlds::boathouse($now, '2026-05-01T00:00:00Z')
            ->person('ana', '+447700900322', ['zone' => $zone])
            ->record('c', 'call', 'ana', ['outcome' => 'missed'])
            ->build()
            ->sheet();

        return Rehearsal::oneRun($sheet, $rule, new Subject(1, 1), 'front-desk');
    }
}
