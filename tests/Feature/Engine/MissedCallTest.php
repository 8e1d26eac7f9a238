<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\Batch;
use App\Engine\Runner;
use App\Models\Change;
use App\Models\Consent;
use App\Models\Conversation;
use App\Models\Delivery;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Record;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Timer;
use App\Models\Trace;
use App\Sentences\Sentence;
use Linnet\Core\Record\ActivationState;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

final class MissedCallTest extends TestCase
{
    private const PRIYA = '+447700900308';

    public function testTheTextLeavesAfterTwoMinutesFromTheLineTheyCalled(): void
    {
        $this->missedCall('(0)7700 900 301')->assertOk();
        $this->work();
        self::assertSame([], $this->handedOver);

        $this->goOnTo('2026-03-02 10:02');

        self::assertCount(1, $this->handedOver);
        self::assertSame([self::FRONT_DESK, self::WEN], [$this->handedOver[0]['from'], $this->handedOver[0]['to']]);
        self::assertStringStartsWith('Osier Quay Boathouse: Hello Wen, sorry we missed your call at 09:59', $this->handedOver[0]['text']);
        self::assertStringEndsWith('Reply STOP to hear no more.', $this->handedOver[0]['text']);
    }

    public function testTheFollowUpComesADayLaterOnlyIfTheyHaveNotReplied(): void
    {
        $this->missedCall(self::WEN);
        $this->missedCall(self::PRIYA);
        $this->work();
        $this->goOnTo('2026-03-02 10:02');
        $this->textFrom(self::WEN, 'Can I collect it Thursday?')->assertOk();
        $this->work();
        $this->goOnTo('2026-03-03 10:02');

        $wen = $this->person(self::WEN)->id;
        self::assertCount(1, $this->textsTo(self::WEN));
        self::assertCount(2, $this->textsTo(self::PRIYA));
        self::assertSame('replied', Run::query()->where('person_id', $wen)->firstOrFail()->outcome);
        self::assertTrue(Trace::query()->where('person_id', $wen)->where('code', 'stop.replied')->exists());
        self::assertNotNull(Conversation::query()->where('person_id', $wen)->firstOrFail()->waiting_since);
    }

    public function testStopIsObeyedAtOnceConfirmedOnceAndExplained(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->goOnTo('2026-03-02 10:02');
        foreach (['Stop.', 'STOP', 'stop!!'] as $text) {
            $this->textFrom(self::WEN, $text);
            $this->work();
        }
        $this->travelToMoment('2026-03-02 15:00');
        $this->missedCall(self::WEN);
        $this->work();
        $this->goOnTo('2026-03-04 15:00');

        self::assertCount(2, $this->handedOver);
        self::assertStringContainsString('no more texts from us', $this->handedOver[1]['text']);
        self::assertSame(1, Consent::query()->count());
        $last = Trace::query()
            ->where('person_id', $this->person(self::WEN)->id)
            ->where('code', 'start.opted_out')
            ->orderByDesc('id')
            ->firstOrFail();
        self::assertSame('Not started: Wen has said stop.', Sentence::of(['code' => $last->code, 'with' => $last->with]));

        $this->textFrom(self::WEN, 'START');
        $this->missedCall(self::WEN);
        $this->work();
        self::assertStringContainsString('welcome back', $this->handedOver[2]['text']);
        self::assertTrue(Run::query()->where('person_id', $this->person(self::WEN)->id)->where('live', true)->exists());
    }

    public function testTwoMachinesThatAnswerEachOtherDoNotGoOnForEver(): void
    {
        for ($i = 0; $i < 5; $i++) {
            $this->textFrom(self::WEN, 'HELP');
            $this->work();
        }
        self::assertCount(1, $this->handedOver);

        $this->travelToMoment('2026-03-03 10:01');
        $this->textFrom(self::WEN, 'help');
        $this->work();
        self::assertCount(2, $this->handedOver);
    }

    public function testHelpIsAnsweredWithWhoWeAre(): void
    {
        $this->textFrom(self::WEN, 'info');
        $this->work();

        self::assertStringStartsWith('Osier Quay Boathouse. Call us on +44 7700 900100', $this->handedOver[0]['text']);
    }

    public function testATextToTorontoAtTwoInTheNightIsHeldUntilADecentHourThere(): void
    {
        $this->travelToMoment('2026-03-02 07:00');
        $this->rewrite(fn (array $document): array => ['conditions' => ['all' => []]] + $document);
        $this->missedCall('00 1 (416) 555-0142');
        $this->work();
        $this->goOnTo('2026-03-02 07:02');

        $text = $this->textsTo('+14165550142')[0];
        self::assertSame(MessageState::Waiting, $text->state);
        self::assertSame(
            'Held until Mon 2 March 08:00 for Ana (Toronto): it was Mon 2 March 02:02 there, outside decent hours.',
            $this->why($text),
        );

        $this->goOnTo('2026-03-02 12:59');
        self::assertSame([], $this->handedOver);
        $this->goOnTo('2026-03-02 13:00');
        self::assertSame('+14165550142', $this->handedOver[0]['to']);
    }

    public function testACallAtNightIsAnsweredWhenWeOpenAndTheSamePersonOnceADay(): void
    {
        $this->travelToMoment('2026-03-02 05:30');
        $this->missedCall(self::WEN);
        $this->missedCall(self::WEN);
        $this->work();
        $this->goOnTo('2026-03-02 09:00');

        self::assertCount(1, $this->handedOver);
        self::assertStringContainsString('You rang Monday 05:29', $this->handedOver[0]['text']);
    }

    public function testALandlineGetsNothingAndTheReasonIsKept(): void
    {
        $this->missedCall('0044-2079460018');
        $this->work();
        $this->goOnTo('2026-03-02 10:02');

        $text = $this->textsTo('+442079460018')[0];
        self::assertSame(MessageState::Dropped, $text->state);
        self::assertSame('Not sent: +44 20 7946 0018 is a landline, where texts do not arrive.', $this->why($text));
        self::assertSame([], $this->handedOver);
    }

    /** @param  list<string>  $states */
    #[DataProvider('deliveries')]
    public function testEveryDeliveryEndsSomewhereVisible(\Closure $send, int $status, array $states, int $records, string $says): void
    {
        $send($this)->assertStatus($status);
        $this->work();

        $kept = Delivery::query()->orderBy('id')->get();
        self::assertSame($states, $kept->map(fn (Delivery $d): string => $d->state->value)->all());
        self::assertSame([$records, $records], [Record::query()->count(), Change::query()->whereNotNull('record_id')->count()]);
        $reason = $kept->last()?->reason;
        self::assertStringContainsString($says, $reason === null ? '' : Sentence::of($reason));
    }

    /** @return iterable<string, array{\Closure, int, list<string>, int, string}> */
    public static function deliveries(): iterable
    {
        yield 'well' => [fn (self $t) => $t->missedCall(self::WEN), 200, ['taken'], 1, ''];
        yield 'somebody answered' => [
            fn (self $t) => $t->missedCall(self::WEN, ['why_unanswered' => null]), 200, ['left_out'], 0, 'somebody answered',
        ];
        yield 'a withheld number' => [fn (self $t) => $t->missedCall('WITHHELD'), 200, ['taken'], 1, 'withheld'];
        yield 'the wrong secret' => [
            fn (self $t) => $t->missedCall(self::WEN, secret: 'yesterday'), 401, ['refused'], 0, 'secret was missing or wrong',
        ];
        yield 'broken off' => [fn (self $t) => $t->postPhone('{"ref": "OQ-'), 422, ['refused'], 0, 'cut off'];
        yield 'nothing' => [fn (self $t) => $t->postPhone(''), 422, ['refused'], 0, 'empty'];
        yield 'too large' => [fn (self $t) => $t->postPhone(str_repeat('x', 262_145)), 413, ['refused'], 0, 'larger than 256 KB'];
        yield 'bytes that are no characters' => [
            fn (self $t) => $t->postPhone("{\"ref\": \"\xFF\"}"), 422, ['refused'], 0, 'no characters in UTF-8',
        ];
        yield 'sent twice' => [
            function (self $t) {
                $t->missedCall(self::WEN, ['ref' => 'OQ-7'])->assertOk();

                return $t->missedCall(self::WEN, ['ref' => 'OQ-7']);
            }, 200, ['taken', 'repeated'], 1, 'come before'];
    }

    public function testTheSameCallToldDifferentlyIsAChangeNotASecondCall(): void
    {
        $this->missedCall(self::WEN, ['ref' => 'OQ-7']);
        $this->missedCall(self::WEN, ['ref' => 'OQ-7', 'why_unanswered' => 'line busy']);
        $this->work();

        self::assertSame(1, Record::query()->count());
        self::assertSame(['why' => 'line busy'], Change::query()->orderByDesc('id')->firstOrFail()->to);
        self::assertSame(1, Run::query()->count());
    }

    public function testAMissingNameWithNothingToSayInsteadIsSetAsideAndGoesWhenFilledIn(): void
    {
        $this->rewrite(function (array $document): array {
            $document['steps'][1]['wordings'][0]['text'] = 'Hello {{ first_name }}';

            return $document;
        });
        $this->missedCall('+447700900911');
        $this->work();
        $this->goOnTo('2026-03-02 10:02');
        $text = $this->textsTo('+447700900911')[0];
        self::assertSame(MessageState::SetAside, $text->state);

        $this->person('+447700900911')->update(['first_name' => 'Ida']);
        $this->actingAs($this->staff(Role::Administrator))->post(route('messages.ask-again', $text))->assertRedirect();
        $this->work();
        self::assertStringContainsString('Hello Ida', $this->handedOver[0]['text']);
    }

    public function testATextThatIsNotToGoIsDroppedAndTheRunGoesOn(): void
    {
        $this->travelToMoment('2026-03-02 06:00');
        $this->missedCall('+12125550163');
        $this->work();
        $this->goOnTo('2026-03-02 09:00');
        $text = $this->textsTo('+12125550163')[0];
        $this->forecast();
        $this->actingAs($this->staff(Role::Administrator))->post(route('people.text.store', $text->person_id), [
            'do' => 'skip', 'rule' => $text->rule_id, 'record' => $text->run?->record_id, 'which' => explode('/', $text->name, 2)[1],
        ])->assertRedirect();
        $this->goOnTo('2026-03-02 14:00');

        self::assertSame([], $this->handedOver);
        self::assertSame('Not sent: Mira Okafor decided so.', $this->why($text->refresh()));
        self::assertFalse(Run::query()->firstOrFail()->live);
    }

    public function testSwitchedOffEverythingKeepsItsPlaceAndOnAgainItGoes(): void
    {
        $rule = $this->frontDeskRule();
        $this->missedCall(self::WEN);
        $this->work();
        $this->actingAs($this->staff(Role::Administrator))->put(route('rules.power', $rule), ['power' => 'paused'])->assertRedirect();
        $this->travelToMoment('2026-03-02 11:00');
        $this->missedCall(self::PRIYA);
        $this->work();
        self::assertSame([0, 1], [count($this->handedOver), Run::query()->count()]);

        $this->put(route('rules.power', $rule), ['power' => 'on'])->assertRedirect();
        $this->work();
        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
        self::assertSame(ActivationState::On, $rule->refresh()->power);
    }

    public function testTheSameWordsToOnePersonWithinTheHourGoOnceWhateverLinnetAdds(): void
    {
        $this->missedCall(self::WEN, ['t0' => 1772445600000]);
        $this->missedCall(self::WEN, ['t0' => 1772445600000]);
        $this->work();
        $this->goOnTo('2026-03-02 10:02');

        self::assertCount(1, $this->handedOver);
        self::assertStringStartsWith('Not sent: the same words went to Wen at', $this->why($this->textsTo(self::WEN)[1]));
    }

    public function testTheSameWordsHeldForTheNightGoOnceInTheMorning(): void
    {
        $this->rewrite(fn (array $rule): array => ['conditions' => ['all' => []]] + $rule);
        $this->travelToMoment('2026-03-02 22:00');
        $this->missedCall(self::WEN, ['t0' => 1772488000000]);
        $this->missedCall(self::WEN, ['t0' => 1772488000000]);
        $this->work();
        $this->goOnTo('2026-03-02 22:02');
        self::assertStringStartsWith(
            'Not sent: the same words to Wen have waited to leave since',
            $this->why($this->textsTo(self::WEN)[1]),
        );
        $this->goOnTo('2026-03-03 09:00');

        $ids = array_map(
            fn (Message $text): ?int => $text->rule_id,
            array_filter($this->textsTo(self::WEN), fn (Message $text): bool => $text->state === MessageState::Handed),
        );
        self::assertContains($this->frontDeskRule()->id, $ids);
        self::assertSame(array_unique($ids), $ids);
    }

    public function testATextStuckInTheOutboxIsNotSentAfterAStopNorInTheNight(): void
    {
        foreach ([self::WEN, self::PRIYA] as $caller) {
            $this->missedCall($caller);
        }
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        resolve(Runner::class)->timers(new Batch(array_values(Timer::query()->pluck('id')->all())));
        self::assertSame(2, Message::query()->where('state', MessageState::Ready)->count());
        $this->textFrom(self::WEN, 'STOP');
        $this->travelToMoment('2026-03-02 23:00');
        $this->work();

        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
        self::assertStringContainsString('no more texts', $this->handedOver[0]['text']);
        self::assertSame(
            [MessageState::Dropped, MessageState::Ready],
            [$this->textsTo(self::WEN)[0]->state, $this->textsTo(self::PRIYA)[0]->state],
        );
        $this->goOnTo('2026-03-03 08:00');
        self::assertSame([self::WEN, self::PRIYA], array_column($this->handedOver, 'to'));
    }

    private function goOnTo(string $local): void
    {
        $this->travelToMoment($local);
        $this->work();
    }

    private function frontDeskRule(): Rule
    {
        return Rule::query()->where('name', 'like', 'Front desk%')->firstOrFail();
    }

    /** @param  \Closure(array<string, mixed>): array<string, mixed>  $change */
    private function rewrite(\Closure $change): void
    {
        $version = $this->frontDeskRule()->version;
        $version?->update(['document' => $change($version->document)]);
    }

    private function why(Message $message): string
    {
        return $message->reason === null ? '' : Sentence::of($message->reason);
    }
}
