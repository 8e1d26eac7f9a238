<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\DirectTexts;
use App\Engine\Runner;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Role;
use App\Models\Timer;
use Tests\Feature\TestCase;

/** Whoever wrote a text, and however little ago: after a stop, or what reads like one, it does not leave. */
final class LastLookTest extends TestCase
{
    public function testATextOfAColleagueThatWaitedForItsPlaceDoesNotLeaveAfterAStop(): void
    {
        Line::query()->where('key', 'front-desk')->update(['pace' => json_encode(['per_minute' => 1])]);
        $this->textFrom(self::WEN, 'Is the weir open?');
        $this->work();
        $conversation = Conversation::query()->firstOrFail();
        $staff = $this->staff(Role::Agent);
        self::assertNull(resolve(DirectTexts::class)->fromStaff($conversation, $staff, 'It is.'));
        self::assertNull(resolve(DirectTexts::class)->fromStaff($conversation, $staff, 'Until six.'));
        $this->work();
        self::assertSame(['It is.'], array_column($this->handedOver, 'text'));

        $this->textFrom(self::WEN, 'STOP');
        $this->travel(3)->minutes();
        $this->work();

        self::assertSame(['It is.', 'Osier Quay Boathouse: you will get no more texts from us. Text START if you change your mind.'], array_column($this->handedOver, 'text'));
        self::assertSame('gate.opted_out', Message::query()->where('body', 'Until six.')->sole()->reason['code'] ?? null);
    }

    public function testATextYoungerThanTwoMinutesStaysAfterWhatReadsLikeAStop(): void
    {
        foreach (['please stop texting me', 'Take me off your list', 'pls stop', 'leave me alone'] as $i => $said) {
            $number = "+44770090031$i";
            $this->missedCall($number);
            $this->work();
            $this->travel(2)->minutes();
            resolve(Runner::class)->timers(array_values(Timer::query()->pluck('id')->all()));
            self::assertSame(MessageState::Ready, $this->textsTo($number)[0]->state);
            $this->textFrom($number, $said);
            $this->work();
            self::assertNotContains($number, array_column($this->handedOver, 'to'), $said);
        }
        $this->travel(10)->minutes();
        $this->work();
        self::assertSame([], $this->handedOver);
    }

    public function testWhatWasHeldForALikelyStopIsAskedAboutAgainWhenTheySayStart(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->textFrom(self::WEN, 'please stop texting me');
        $this->work();
        // The rule ends by their reply; another call begins it anew, and its text waits for a decision.
        $this->missedCall(self::WEN);
        $this->work();
        $this->travel(2)->minutes();
        $this->work();
        $text = fn (): Message => Message::query()->where('origin', 'rule')->orderByDesc('id')->firstOrFail();
        self::assertSame([MessageState::Waiting, 'gate.may_have_opted_out'], [$text()->state, $text()->reason['code'] ?? null]);
        self::assertSame(0, Timer::query()->where('kind', Timer::MESSAGE)->where('subject_id', $text()->id)->count());

        $this->textFrom(self::WEN, 'START');
        $this->work();
        self::assertNotSame(MessageState::Waiting, $text()->state);
    }

    public function testATextSetAsideLeavesOnceWhatIsMissingIsThere(): void
    {
        $rule = \App\Models\Rule::query()->where('name', 'like', 'Front desk%')->firstOrFail();
        $document = $rule->version->document ?? [];
        $document['steps'] = array_map(fn (array $step): array => $step['do'] === 'text' ? ['wordings' => [['id' => 'w', 'text' => 'Dear {{ first_name }}, we missed you.']]] + $step : $step, $document['steps']);
        $rule->version?->update(['document' => $document]);
        $this->missedCall('+447700900390');
        $this->work();
        $this->travel(2)->minutes();
        $this->work();
        self::assertSame(MessageState::SetAside, $this->textsTo('+447700900390')[0]->state);

        $person = $this->person('+447700900390');
        $this->actingAs($this->staff(Role::Administrator))->put("/people/$person->id", ['first_name' => 'Ottoline', 'numbers' => '+447700900390'])->assertSessionHasNoErrors();
        $this->work();
        self::assertSame(['+447700900390'], array_column($this->handedOver, 'to'));
    }
}
