<?php

declare(strict_types=1);

namespace Tests\Feature\Carrier;

use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Number;
use App\Models\Staff;
use App\Models\Trace;
use Linnet\Core\Number\NumberKind;
use Tests\Feature\TownTestCase;

/** Over real HTTP: what the number lookup says is remembered, and the gate goes by it. */
final class NumberLookupTest extends TownTestCase
{
    private const DEAD = '+447700900871';

    private const TORONTO = '+14165550142';

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs(Staff::query()->where('email', 'mira@osierquay.example')->firstOrFail());
    }

    public function testNothingIsHandedOverForANumberThatNobodyHas(): void
    {
        self::assertSame('+44 7700 900871 was looked up: nobody has it. No text goes to it.', $this->lookUp(self::DEAD));
        self::assertFalse($this->number(self::DEAD)->alive);
        self::assertSame('lookup.dead', Trace::query()->where('person_id', $this->number(self::DEAD)->person_id)->sole()->code);

        $this->town->standins->ring(self::DEAD, '+447700900100');
        $this->town->settle();
        $this->town->clockTo('2026-03-02T10:02:30Z');
        $this->town->settle();

        self::assertSame(MessageState::Dropped, Message::query()->where('origin', MessageOrigin::Rule)->firstOrFail()->state);
        self::assertSame([], $this->town->standins->ledger());
    }

    public function testWhatTheNumberDoesNotTellTheLookUpDoes(): void
    {
        self::assertSame(NumberKind::Either, $this->number(self::TORONTO)->kind);
        $this->town->standins->behave('error', true);
        self::assertSame(
            '+1 416-555-0142 could not be looked up: it answered with HTTP 503. Nothing is changed; try again in a while.',
            $this->lookUp(self::TORONTO),
        );
        self::assertNull($this->number(self::TORONTO)->looked_up_at);

        self::assertSame('+1 416-555-0142 was looked up: a mobile, and in use.', $this->lookUp(self::TORONTO));
        self::assertSame(NumberKind::Mobile, $this->number(self::TORONTO)->kind);
        self::assertSame('2026-03-02 10:00', $this->number(self::TORONTO)->looked_up_at?->format('Y-m-d H:i'));
    }

    public function testAWrongSecretAndADeafServiceAreSaid(): void
    {
        config(['linnet.lookup.secret' => 'another']);
        self::assertStringContainsString('HTTP 401', $this->lookUp(self::TORONTO));
        config(['linnet.lookup.url' => 'http://127.0.0.1:1']);
        self::assertStringContainsString('it gave no answer', $this->lookUp(self::TORONTO));
        config(['linnet.lookup.url' => '']);
        $this->post(route('numbers.look-up', $this->number(self::TORONTO)))->assertNotFound();
    }

    private function lookUp(string $number): string
    {
        $this->post(route('numbers.look-up', $this->number($number)))->assertRedirect();
        $said = session('done');

        return is_string($said) ? $said : '';
    }

    private function number(string $e164): Number
    {
        return Number::query()->where('e164', $e164)->firstOrFail();
    }
}
