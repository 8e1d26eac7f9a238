<?php

declare(strict_types=1);

namespace Tests\Feature\Carrier;

use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Run;
use Tests\Feature\TownTestCase;

/** A carrier that misbehaves, over real HTTP: nothing is lost, nothing goes twice, and the ledgers agree. */
final class MannersTest extends TownTestCase
{
    private const DESK = '+447700900100';

    private const CALLERS = ['+447700900301', '+447700900308', '+14165550142', '+447700900871', '+442079460018'];

    public function testTheLedgersAgreeWhateverTheCarriersManners(): void
    {
        foreach (['duplicate', 'out_of_order', 'error'] as $manner) {
            $this->town->standins->behave($manner, true);
        }
        foreach (self::CALLERS as $i => $caller) {
            $this->town->standins->ring($caller, self::DESK, $i % 2 === 0 ? 'twice' : 'as_usual');
        }
        $this->town->standins->write('+447700900315', self::DESK, 'Hello?');
        $this->town->settle();
        foreach (['10:02:00', '10:02:30', '10:04:00', '10:10:00', '10:30:00', '14:00:00', '14:01:00'] as $time) {
            $this->town->clockTo("2026-03-02T{$time}Z");
            $this->town->settle();
        }

        self::assertSame(1, Message::query()->where('origin', MessageOrigin::Them)->count());
        self::assertSame(count(self::CALLERS), Run::query()->count());
        $states = Message::query()
            ->where('origin', MessageOrigin::Rule)
            ->orderBy('id')
            ->get()
            ->mapWithKeys(fn (Message $text): array => [(string) $text->number => $text->state])
            ->all();
        self::assertSame(MessageState::Dropped, $states['+442079460018']);
        $ledger = $this->town->standins->ledger();
        self::assertSame(count($ledger), count(array_unique(array_column($ledger, 'key'))));
        foreach ($ledger as $text) {
            self::assertSame($text['fate'] === 'failed' ? MessageState::Failed : MessageState::Arrived, $states[$text['to']], $text['to']);
        }
        self::assertEqualsCanonicalizing(array_slice(self::CALLERS, 0, 4), array_column($ledger, 'to'));
    }

    public function testACarrierThatSaysNothingLeavesTheTextHandedOver(): void
    {
        $this->town->standins->behave('lost', true);
        $this->town->standins->write('+447700900301', self::DESK, 'HELP');
        $this->town->settle();

        self::assertSame(
            [1, MessageState::Handed],
            [count($this->town->standins->ledger()), Message::query()->where('origin', MessageOrigin::Words)->firstOrFail()->state],
        );
    }
}
