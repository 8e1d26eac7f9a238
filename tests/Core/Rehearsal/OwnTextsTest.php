<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\TestCase;
use Tests\Support\Worlds;

/** One person's text: words of its own, another moment, or not at all, and taken back. */
final class OwnTextsTest extends TestCase
{
    public function testWordsOfItsOwnAreSaidOnceAndTheNextTextIsAsItsRuleSays(): void
    {
        self::assertSame(
            [
                '2 Mar 10:02 Osier Quay Boathouse: Bo, the kettle is on. Reply STOP to hear no more.',
                '3 Mar 10:02 Still here if you need us, Bo. Write back and a person at the front desk will read it.',
            ],
            $this->told($this->called('first', ['words' => '{{ first_name }}, the kettle is on.'])),
        );
    }

    public function testATextFiveStepsOnIsDecidedOfBeforeItsRunComesToIt(): void
    {
        self::assertSame('3 Mar 10:02 Ring me.', $this->told($this->called('second', ['words' => 'Ring me.']))[1]);
        // What is asked before it is asked all the same.
        $replied = $this->world('second', ['words' => 'Ring me.'])->text('2026-03-02T12:00:00Z', 'bo', 'No need');
        self::assertCount(1, $this->told($this->lives($replied)));
    }

    public function testItLeavesAtTheMomentItIsMovedTo(): void
    {
        $moment = fn (string $to): string => substr($this->told($this->called('first', ['to' => $to]))[0], 0, 11);

        self::assertSame('2 Mar 10:01', $moment('2026-03-02T10:01:30Z'));
        self::assertSame('2 Mar 14:00', $moment('2026-03-02T14:00:00Z'));
        self::assertSame('2 Mar 10:01', $moment('2026-03-01T10:00:00Z'));
        // Decent hours hold for it as for any other.
        self::assertSame('3 Mar 08:00', $moment('2026-03-02T23:00:00Z'));
    }

    public function testWhatFollowsAMovedTextFollowsWhereItLeft(): void
    {
        self::assertSame(
            ['2 Mar 14:00', '3 Mar 14:00'],
            $this->moments($this->called('first', ['to' => '2026-03-02T14:00:00Z'])),
        );
    }

    public function testATextThatIsLeftOutIsNotSentAndTheRunGoesOn(): void
    {
        $lived = $this->called('first', ['skip' => true]);

        self::assertSame('staff.skipped', $lived->texts()[0]->reason?->code);
        self::assertSame(['3 Mar 10:02'], $this->moments($lived));
    }

    public function testWhatWasDecidedIsTakenBack(): void
    {
        $world = $this->world('first', ['words' => 'Ring me.'])
            ->event('2026-03-02T10:01:30Z', 'own_text', ['person' => 'bo', 'rule' => 'front-desk-missed-call', 'step' => 'first']);

        self::assertStringContainsString('sorry we missed your call', $this->told($this->lives($world))[0]);
    }

    public function testItIsDecidedBeforeItsRuleHasBegunAndForThatOneRunAlone(): void
    {
        $world = Worlds::boathouse()
            ->person('bo', '+447700900322')
            ->record('b', 'booking', 'bo', [
                'lesson' => 'tour', 'state' => 'booked', 'starts_at' => '2026-03-10T10:00:00Z', 'instructor' => 1,
            ])
            ->event('2026-03-07T10:00:00Z', 'own_text', [
                'person' => 'bo', 'rule' => 'lesson-reminder', 'step' => 'coming', 'words' => 'Good to have you back. YES or CANCEL?',
            ])
            ->text('2026-03-09T11:00:00Z', 'bo', 'yes')
            ->happens('2026-03-09T12:00:00Z', 'b', 'booking', null, ['starts_at' => '2026-03-20T09:00:00Z']);

        $told = $this->told($this->lives($world, 'lesson-reminder'));
        self::assertStringContainsString('Good to have you back. YES or CANCEL?', $told[0]);
        self::assertStringContainsString('Good. Bring a towel', $told[1]);
    }

    public function testItIsKeptWithItsRun(): void
    {
        $state = RunState::begin('first', new \DateTimeImmutable('2026-03-02T10:00:00Z'))
            ->deciding('first/1', new OwnText('Ring me.', new \DateTimeImmutable('2026-03-02T11:00:00Z'), false, 'Tom'))
            ->deciding('second/1', new OwnText(skip: true, by: 'Mira'));

        self::assertEquals($state, RunState::fromArray((array) json_decode((string) json_encode($state->toArray()), true)));
        self::assertSame(['second/1'], array_keys($state->deciding('first/1', new OwnText(by: 'Tom'))->own));
    }

    /** @param  array<string, mixed>  $own */
    private function called(string $step, array $own): RehearsalResult
    {
        return $this->lives($this->world($step, $own));
    }

    /** @param  array<string, mixed>  $own */
    private function world(string $step, array $own): Worlds
    {
        return Worlds::boathouse()
            ->person('bo', '+447700900322')
            ->call('2026-03-02T10:00:00Z', 'c', 'bo')
            ->event('2026-03-02T10:01:00Z', 'own_text', ['person' => 'bo', 'rule' => 'front-desk-missed-call', 'step' => $step, ...$own]);
    }

    private function lives(Worlds $world, string $rule = 'front-desk-missed-call'): RehearsalResult
    {
        return Rehearsal::of($world->build(), [Rule::fromJson((string) file_get_contents(dirname(__DIR__, 3)."/demo/rules/$rule.json"))]);
    }

    /** @return list<string> */
    private function moments(RehearsalResult $lived): array
    {
        return array_map(fn (string $text): string => substr($text, 0, 11), $this->told($lived));
    }

    /** @return list<string> */
    private function told(RehearsalResult $lived): array
    {
        return array_map(fn (OutText $text): string => "{$text->settledAt?->format('j M H:i')} {$text->composed?->body}", $lived->sent());
    }
}
