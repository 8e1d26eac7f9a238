<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\ScheduledTexts;
use App\Models\ComingText;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Notice;
use App\Models\Number;
use App\Models\Person;
use App\Models\PutAside;
use App\Models\Role;
use App\Models\ScheduledText;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Time\WeeklyHours;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;
use Tests\Support\Databases;

/** Texts typed by hand for a moment of the other's day. */
final class ScheduledTextsTest extends TestCase
{
    private const ANA = '+14165550142';

    public function testItLeavesAtTheMomentInTheirDayOnceAndIsSeenAmongWhatIsComing(): void
    {
        $ana = $this->person(self::ANA);
        $this->textFrom(self::ANA, 'Is the quay open on Wednesday?');
        $thread = Conversation::query()->where('person_id', $ana->id)->sole();
        $this->type($ana, 'It is, from nine.', '2026-03-03T12:00')
            ->assertRedirect(route('conversations.show', $thread))
            ->assertSessionHas('done', 'It leaves on Tue 3 March 12:00 for Ana. 12:00 in Toronto is Tue 3 March 17:00 here.');

        self::assertSame('2026-03-03 17:00', ScheduledText::query()->sole()->leaves_at?->format('Y-m-d H:i'));
        self::assertNotNull($thread->refresh()->waiting_since, 'nobody has answered yet');
        $coming = ComingText::query()->where('person_id', $ana->id)->whereNull('rule_id')->sole();
        self::assertSame(['It is, from nine.', '2026-03-03 17:00:00'], [$coming->body, (string) $coming->leaves_at]);
        $pages = [route('people.show', $ana), route('conversations.show', $thread), '/ahead?at=2026-03-03T17', '/ahead/2026-03-03'];
        foreach ($pages as $page) {
            $this->actingAs($this->staff(Role::Administrator))->get($page)->assertSee('It is, from nine.');
        }
        $this->travelToMoment('2026-03-03 16:59');
        $this->work();
        self::assertSame([], $this->sentTo(self::ANA));

        $this->travelToMoment('2026-03-03 17:00');
        $this->work();
        $this->work();
        $this->forecast();
        self::assertSame(['It is, from nine.'], $this->sentTo(self::ANA));
        self::assertNull($thread->refresh()->waiting_since);
        self::assertSame(0, ScheduledText::query()->count() + ComingText::query()->whereNotNull('scheduled_text_id')->count());
    }

    public function testItIsChangedMovedSentAtOnceOrTakenBackUntilItLeaves(): void
    {
        $ana = $this->person(self::ANA);
        $this->type($ana, 'See you on Friday', '2026-03-03T12:00');
        $one = ScheduledText::query()->sole();
        $this->act($one, ['do' => 'words', 'text' => 'See you on Saturday'])->assertSessionHas('done', 'It has other words now.');
        $this->act($one, ['do' => 'words', 'text' => ''])->assertSessionHasErrors(['text' => 'Write something first.']);
        $this->act($one, ['do' => 'move', 'at' => '2026-03-01T12:00'])->assertSessionHasErrors('at');
        $this->act($one, ['do' => 'move', 'at' => '2027-03-04T12:00'])->assertSessionHasErrors(['at' => 'Choose a moment within a year.']);
        $this->act($one, ['do' => 'move', 'at' => '2026-03-04T12:00']);
        $this->travelToMoment('2026-03-03 18:00');
        $this->work();
        self::assertSame([], $this->sentTo(self::ANA));

        $this->act($one, ['do' => 'now']);
        $this->work();
        self::assertSame(['See you on Saturday'], $this->sentTo(self::ANA));
        $this->act($one, ['do' => 'take_back'])->assertSessionHas('done', 'It has left by now, or was taken back.');

        $this->type($ana, 'Never mind', '2026-03-05T12:00');
        $this->act(ScheduledText::query()->sole(), ['do' => 'take_back']);
        $this->travelToMoment('2026-03-06 18:00');
        $this->work();
        self::assertSame(['See you on Saturday'], $this->sentTo(self::ANA));
    }

    public function testAPictureGoesWithItNowAndLaterAtItsOwnPrice(): void
    {
        Storage::fake();
        $ana = $this->person(self::ANA);
        $picture = fn (): UploadedFile => UploadedFile::fake()->createWithContent('quay.png', (string) base64_decode(
            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        ));
        $send = fn (array $with): TestResponse => $this->actingAs($this->staff(Role::Agent))->post(
            route('people.texts.store', $ana), $with + ['line' => Line::query()->firstOrFail()->id, 'text' => 'The quay.'],
        );
        $send(['picture' => UploadedFile::fake()->create('a.txt', 1)])->assertSessionHasErrors('picture');
        $send(['picture' => $picture(), 'text' => ''])->assertSessionHasErrors('text');
        $send(['picture' => $picture(), 'when' => 'later', 'at' => '2026-03-01T12:00'])->assertSessionHasErrors('at');
        $kept = session()->getOldInput('kept_picture');
        self::assertStringContainsString('/pictures/', $kept);
        $send(['kept_picture' => 'https://elsewhere.example/a.png']);
        $send(['kept_picture' => $kept]);
        $this->work();
        $send(['picture' => $picture(), 'when' => 'later', 'at' => '2026-03-03T12:00']);
        $this->travelToMoment('2026-03-03 17:00');
        $this->work();
        self::assertSame([null, $kept, $kept], array_map(fn (array $text): ?string => $text['picture'] ?? null, $this->handedOver));
        [$plain, $one, $later] = Message::query()->where('person_id', $ana->id)->orderBy('id')->get()->all();
        self::assertGreaterThan($plain->price_micros, $one->price_micros);
        self::assertSame($one->price_micros, $later->price_micros);
    }

    public function testAClosedLineIsWrittenFromKnowinglyAlone(): void
    {
        $ana = $this->person(self::ANA);
        $line = Line::query()->where('key', 'front-desk')->sole();
        $line->update(['hours' => WeeklyHours::daily('12:00', '17:00')->toDocument(), 'pace' => ['per_minute' => 1]]);
        $send = fn (array $with = []): TestResponse => $this->actingAs($this->staff(Role::Agent))->post(
            route('people.texts.store', $ana), ['line' => $line->id, 'text' => 'Hello.'] + $with,
        );
        $send()->assertSessionHasErrors(['anyway' => 'The front desk is closed now, until Mon 2 March 12:00. Choose another moment, or '
            .'tick that it goes even so.']);
        $send(['when' => 'later', 'at' => '2026-03-02T13:30'])->assertSessionHasErrors('anyway');
        $send(['anyway' => '1'])->assertSessionHasNoErrors();
        $send(['anyway' => '1'])->assertSessionHasNoErrors();
        $this->work();
        self::assertCount(2, $this->sentTo(self::ANA), 'past its pace too');
        $this->travelToMoment('2026-03-02 12:00');
        $send();
        $send();
        $this->work();
        self::assertCount(3, $this->sentTo(self::ANA));
        $this->textFrom(self::ANA, 'STOP');
        $send(['anyway' => '1'])->assertSessionHasErrors('text');
    }

    public function testWhatWaitsIsMovedOrSentIntoClosedHoursKnowinglyAlone(): void
    {
        $ana = $this->person(self::ANA);
        $line = Line::query()->where('key', 'front-desk')->sole();
        $line->update(['hours' => WeeklyHours::daily('12:00', '20:00')->toDocument(), 'pace' => ['per_day' => 1]]);
        $this->type($ana, 'First', '2026-03-02T10:00');
        $this->type($ana, 'Second', '2026-03-02T10:05', ['anyway' => '1']);
        [$first, $second] = ScheduledText::query()->orderBy('id')->get()->all();
        $this->act($first, ['do' => 'move', 'at' => '2026-03-03T06:00'])->assertSessionHasErrors([
            'anyway' => 'The front desk is closed then, until Tue 3 March 12:00. Choose another moment, or tick that it goes even so.',
        ]);
        $this->act($first, ['do' => 'now'])->assertSessionHasErrors(['now' => 'The front desk is closed now, until Mon 2 March 12:00.']);
        self::assertSame('15:00', $first->refresh()->leaves_at?->format('H:i'));
        $this->travelToMoment('2026-03-02 15:05');
        $this->work();
        self::assertSame(['First', 'Second'], $this->sentTo(self::ANA), 'past its pace, as was ticked');

        $this->act($second, ['do' => 'now_anyway'])->assertSessionHas('done', 'It has left by now, or was taken back.');
        $this->type($ana, 'Third', '2026-03-03T06:00', ['anyway' => '1']);
        $third = ScheduledText::query()->sole();
        $this->act($third, ['do' => 'move', 'at' => '2026-03-03T07:00', 'anyway' => '1'])->assertSessionHasNoErrors();
        $this->act($third, ['do' => 'now_anyway'])->assertSessionHas('done', 'It goes now, if it may.');
        $this->work();
        self::assertSame(['First', 'Second', 'Third'], $this->sentTo(self::ANA));
    }

    public function testHoursThatChangedMeanwhileAreKeptUnlessItGoesKnowingly(): void
    {
        [$ana, $wen] = [$this->person(self::ANA), $this->person(self::WEN)];
        $line = Line::query()->where('key', 'front-desk')->sole();
        $this->type($ana, 'To Ana', '2026-03-03T12:00');
        $this->type($wen, 'To Wen', '2026-03-03T17:00', ['anyway' => '1']);
        $line->update(['hours' => WeeklyHours::daily('18:00', '20:00')->toDocument()]);
        $this->forecast();
        $coming = ComingText::query()->where('person_id', $ana->id)->whereNotNull('scheduled_text_id')->sole();
        self::assertSame(['gate.line_closed', '2026-03-03 18:00:00'], [$coming->held, (string) $coming->leaves_at]);
        $this->travelToMoment('2026-03-03 17:00');
        $this->work();
        self::assertSame([[], ['To Wen']], [$this->sentTo(self::ANA), $this->sentTo(self::WEN)]);
        $this->travelToMoment('2026-03-03 18:00');
        $this->work();
        self::assertSame(['To Ana'], $this->sentTo(self::ANA));

        $this->type($ana, 'Once more', '2026-03-04T14:00');
        $line->update(['hours' => ['week' => [], 'closed' => []]]);
        $this->forecast();
        $coming = ComingText::query()->where('person_id', $ana->id)->whereNotNull('scheduled_text_id')->sole();
        self::assertSame(['gate.line_never_open', null], [$coming->held, $coming->leaves_at]);
        $this->travelToMoment('2026-03-04 19:00');
        $this->work();
        self::assertSame('gate.line_never_open', Message::query()->where('body', 'Once more')->sole()->reason['code'] ?? null);
    }

    public function testABusyLineGivesItAPlaceThatIsSeenAndIsPassedKnowinglyAlone(): void
    {
        [$ana, $wen] = [$this->person(self::ANA), $this->person(self::WEN)];
        $line = Line::query()->where('key', 'front-desk')->sole();
        $line->update(['pace' => ['per_day' => 1]]);
        $send = fn (array $with = []): TestResponse => $this->actingAs($this->staff(Role::Agent))->post(
            route('people.texts.store', $ana), $with + ['line' => $line->id, 'text' => 'Hello.'],
        );
        $send()->assertSessionHasNoErrors();
        $send()->assertSessionHasErrors(['anyway' => 'The front desk has as many texts before it as it may send, until Tue 3 March 10:00. '
            .'Choose another moment, or tick that it goes even so.']);
        $this->type($ana, 'Later', '2026-03-02T06:00');
        $this->type($wen, 'And this', '2026-03-02T11:30');
        $this->travelToMoment('2026-03-02 11:30');
        $this->work();
        $this->work();
        $this->forecast();
        self::assertSame(['Hello.'], $this->sentTo(self::ANA));
        $coming = ComingText::query()->whereNotNull('scheduled_text_id')->orderBy('leaves_at')->get();
        self::assertSame(
            [['gate.line_busy', '03 10:00'], ['gate.line_busy', '04 10:00']],
            $coming->map(fn (ComingText $text): array => [$text->held, $text->leaves_at?->format('d H:i')])->all(),
        );
        $wens = ScheduledText::query()->where('person_id', $wen->id)->sole();
        foreach (['once', 'and once more'] as $_) {
            $this->act($wens, ['do' => 'now'])->assertSessionHasErrors([
                'now' => 'The front desk has as many texts before it as it may send, until Wed 4 March 10:00.',
            ]);
        }
        // Asked for now in vain, what is for another day stays for that day.
        $this->type($wen, 'For Friday', '2026-03-06T11:30');
        $friday = ScheduledText::query()->where('body', 'For Friday')->sole();
        $this->act($friday, ['do' => 'now'])->assertSessionHasErrors('now');
        self::assertSame(['2026-03-06 11:30:00', null], [(string) $friday->refresh()->leaves_at, $friday->slot_at]);
        $this->travelToMoment('2026-03-03 10:00');
        $this->work();
        self::assertSame(['Hello.', 'Later'], $this->sentTo(self::ANA));
        $this->act($wens, ['do' => 'now_anyway']);
        $this->work();
        self::assertSame(['And this'], $this->sentTo(self::WEN));
    }

    public function testAnAnswerGoesToTheNumberTheyWroteFrom(): void
    {
        $ana = $this->person(self::ANA);
        Number::query()->create([
            'person_id' => $ana->id, 'e164' => '+447700900555', 'country' => 'GB', 'zones' => ['Europe/London'], 'kind' => 'mobile',
            'label' => 'other', 'rank' => -1,
        ]);
        $thread = fn (): Conversation => Conversation::query()->where('person_id', $ana->id)->sole();
        $line = Line::query()->where('key', 'front-desk')->sole()->id;
        $send = fn (array $with = []): TestResponse => $this->actingAs($this->staff(Role::Agent))->post(
            route('people.texts.store', $ana), $with + ['line' => $line, 'text' => 'Hello.'],
        );
        $send();
        $this->textFrom('+447700900555', 'I write from the other one today.');
        $this->get(route('conversations.show', $thread()))
            ->assertSee('From Front desk to +44 7700 900555')
            ->assertSee('In Ana’s day<', false);
        $elsewhere = ['line' => Line::query()->where('key', 'workshop')->sole()->id, 'number' => self::ANA, 'text' => ''];
        $send(['conversation' => $thread()->id] + $elsewhere)->assertSessionHasErrors('text');
        $this->get(route('conversations.show', $thread()))->assertSee('From Workshop to +1 416-555-0142');
        $send(['conversation' => $thread()->id, 'text' => 'Here, then.']);
        $send(['conversation' => $thread()->id, 'text' => 'And here.', 'number' => self::ANA]);
        $this->work();
        $this->textFrom('+447700900555', 'STOP');
        $send(['text' => 'Still there?'])->assertSessionHasErrors('text');
        $this->get(route('people.write', $ana))->assertSee('+44 7700 900555 (has said stop)')->assertDontSee('so nothing can be sent');
        $this->work();
        self::assertSame([['Hello.', 'And here.'], ['Here, then.']], [
            $this->sentTo(self::ANA), array_slice($this->sentTo('+447700900555'), 0, 1),
        ]);
    }

    public function testAStopThatCameMeanwhileKeepsItFromLeavingAndWhoWroteItIsTold(): void
    {
        $ana = $this->person(self::ANA);
        $this->type($ana, 'Are you coming?', '2026-03-03T12:00');
        $this->textFrom(self::ANA, 'STOP');
        $this->work();
        $this->forecast();
        self::assertSame('gate.opted_out', ComingText::query()->whereNotNull('scheduled_text_id')->sole()->held);
        $this->travelToMoment('2026-03-03 17:00');
        $this->work();

        self::assertSame([MessageState::Dropped, 'gate.opted_out'], [
            Message::query()->where('body', 'Are you coming?')->sole()->state,
            Message::query()->where('body', 'Are you coming?')->sole()->reason['code'] ?? null,
        ]);
        self::assertSame(
            'Your text to Ana for Tue 3 March 17:00 did not go. Not sent: Ana has said stop.',
            Notice::query()->where('staff_id', $this->staff(Role::Agent)->id)->sole()->words,
        );
        self::assertFalse(resolve(ScheduledTexts::class)->sendNow(1, false));
    }

    public function testAQuestionThatCameAfterItWasWrittenWaitsOn(): void
    {
        $ana = $this->person(self::ANA);
        $this->type($ana, 'See you on Friday', '2026-03-03T12:00');
        $this->travelToMoment('2026-03-03 09:00');
        $this->textFrom(self::ANA, 'May I bring my dog?');
        $this->travelToMoment('2026-03-03 17:00');
        $this->work();

        self::assertSame(['See you on Friday'], $this->sentTo(self::ANA));
        self::assertNotNull(Conversation::query()->where('person_id', $ana->id)->sole()->waiting_since);
    }

    public function testOneThatCannotBeWorkedOutIsPutAsideAndHoldsUpNoOther(): void
    {
        [$ana, $wen] = [$this->person(self::ANA), $this->person(self::WEN)];
        $this->type($ana, 'To Ana', '2026-03-03T12:00');
        $this->type($wen, 'To Wen', '2026-03-03T17:00');
        Databases::break('messages', 'no more', $ana->id);
        $this->travelToMoment('2026-03-03 17:00');
        $this->work();
        self::assertSame(['To Wen'], $this->sentTo(self::WEN));
        $this->actingAs($this->staff(Role::Administrator))->get('/today')->assertSee('A text by hand to Ana Silva could not leave');

        Databases::mend('messages');
        $this->post(route('put-asides.again', PutAside::query()->sole()));
        $this->work();
        self::assertSame(['To Ana'], $this->sentTo(self::ANA));
    }

    public function testWhatCannotBeIsSaidAtItsFieldAndWhatWasTypedStays(): void
    {
        $ana = $this->person(self::ANA);
        $this->type($ana, 'Hello', '2026-03-02T04:59')
            ->assertSessionHasErrors(['at' => 'That is past. It is Mon 2 March 05:00 in Toronto now.'])
            ->assertSessionHasInput('text', 'Hello');
        $this->type($ana, 'Hello', '2027-03-03T12:00')->assertSessionHasErrors(['at' => 'Choose a moment within a year.']);
        $this->type($ana, 'Hello', '')->assertSessionHasErrors(['at' => 'Say when it is to leave.']);
        $this->type($ana, 'Hello', '2026-03-03T12:00', ['number' => self::WEN])->assertSessionHasErrors('number');
        $this->type($ana, 'Hello', '2026-03-03T12:00', ['line' => 99])->assertSessionHasErrors(['line' => 'Choose a line.']);
        $nobody = Person::query()->create(['first_name' => 'Ada', 'fields' => [], 'added_at' => now()]);
        $this->type($nobody, 'Hello', '2026-03-03T12:00')->assertSessionHasErrors(['number' => 'Ada has no number to text.']);
        $this->get(route('people.write', $nobody))->assertSee('Ada has no number');
        $this->get(route('people.moment', $ana).'?at=2026-03-03T12:00')->assertSee('12:00 in Toronto is Tue 3 March 17:00 here.');
        self::assertSame(0, ScheduledText::query()->count());
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<Response>
     */
    private function type(Person $person, string $text, string $at, array $with = []): TestResponse
    {
        $line = Line::query()->where('number', self::FRONT_DESK)->sole()->id;
        $thread = Conversation::query()->where('person_id', $person->id)->value('id');

        return $this->actingAs($this->staff(Role::Agent))->post(
            route('people.texts.store', $person),
            $with + ['text' => $text, 'line' => $line, 'conversation' => $thread, 'when' => 'later', 'at' => $at],
        );
    }

    /**
     * @param  array<string, string>  $what
     * @return TestResponse<Response>
     */
    private function act(ScheduledText $text, array $what): TestResponse
    {
        return $this->actingAs($this->staff(Role::Agent))->put(route('scheduled-texts.update', $text->id), $what);
    }

    /** @return list<string> what was typed */
    private function sentTo(string $number): array
    {
        return array_values(
            array_filter(array_map(
                fn (array $text): string => $text['to'] === $number && ! str_contains($text['text'], 'Osier Quay') ? $text['text'] : '',
                $this->handedOver,
            )),
        );
    }
}
