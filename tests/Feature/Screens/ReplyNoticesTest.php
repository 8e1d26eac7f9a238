<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Conversations\ReplyNotices;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Notice;
use App\Models\OutboundTask;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Staff;
use Illuminate\Support\Facades\Mail;
use Psr\Clock\ClockInterface;
use Tests\Feature\TestCase;

/** Who hears that somebody waits for an answer. */
final class ReplyNoticesTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Mail::fake();
        config(['mail.default' => 'smtp']);
        $line = Line::query()->where('number', self::FRONT_DESK)->sole();
        $this->actingAs($this->staff(Role::Administrator))->put(route('lines.update', $line), [
            'people' => [$this->staff(Role::Agent)->id, $this->staff(Role::Operator)->id],
        ])->assertSessionHasNoErrors();
    }

    public function testABurstIsToldOnceUntilItIsAnswered(): void
    {
        foreach (['Hello?', 'Are you there?', 'It is about the kayak'] as $i => $text) {
            $this->travelToMoment("2026-03-02 10:0$i");
            $this->textFrom(self::WEN, $text);
        }
        self::assertSame(['Nia Sorrell', 'Tom Reyes'], $this->told());
        self::assertSame(['nia@osierquay.example', 'tom@osierquay.example'], $this->mailed());
        $this->actingAs($this->staff(Role::Agent))->get('/conversations')->assertSee('For you to answer:');

        $wen = Conversation::query()->sole();
        $this->post(route('people.texts.store', $wen->person_id), ['text' => 'Here we are.', 'line' => $wen->line_id]);
        self::assertSame([], $this->told());
        $this->travelToMoment('2026-03-02 10:10');
        $this->textFrom(self::WEN, 'Thursday then?');
        self::assertSame(['Nia Sorrell', 'Tom Reyes'], $this->told());
        self::assertCount(4, $this->mailed());
        $this->post(route('conversations.done', $wen));
        self::assertSame([], $this->told());
    }

    /** What a rule sent is answered to whom the rule names; whom the person has comes before, and whose the conversation is before both. */
    public function testARuleAndAPersonSayWhoHears(): void
    {
        $version = Rule::query()->firstOrFail()->version ?? self::fail('it is published');
        $hears = function (?array $replies) use ($version): array {
            $version->update(['document' => array_filter(['replies' => $replies] + $version->document)]);
            $this->travelToMoment('2026-03-02 10:'.sprintf('%02d', 1 + Conversation::query()->count() * 10));
            $number = '+4477009003'.sprintf('%02d', 20 + Conversation::query()->count());
            $this->missedCall($number);
            $this->work();
            $this->travelToMoment('2026-03-02 10:'.sprintf('%02d', 5 + Conversation::query()->count() * 10));
            $this->work();
            $before = $this->told();
            $this->textFrom($number, 'I called about the kayak');

            return array_values(array_diff($this->told(), $before));
        };
        self::assertSame(['Mira Okafor'], $hears(['who' => 'staff', 'email' => 'mira@osierquay.example']));
        Notice::query()->delete();
        self::assertSame([], $hears(['who' => 'address', 'email' => 'desk@osierquay.example']));
        self::assertContains('desk@osierquay.example', $this->mailed());
        // A call has no owner: those on the line are told.
        self::assertSame(['Nia Sorrell', 'Tom Reyes'], $hears(['who' => 'owner']));
        $this->textFrom(self::WEN, 'Hello?');
        $wen = Conversation::query()->orderByDesc('id')->firstOrFail();
        $this->put(route('people.hears', $wen->person_id), ['hears' => $this->staff(Role::Administrator)->id])->assertSessionHasNoErrors();
        $this->get(route('people.show', $wen->person_id))->assertSee('told to Mira Okafor');
        $this->post(route('conversations.done', $wen));
        Notice::query()->delete();
        $this->textFrom(self::WEN, 'Still there?');
        self::assertSame(['Mira Okafor'], $this->told());
        $this->put(route('people.hears', $wen->person_id), ['hears' => 999])->assertSessionHasErrors('hears');
    }

    /** Whoever writes says who hears of the reply: they, the owner of the record, everybody on the line; until it is handed over. */
    public function testWhoeverWritesSaysWhoHearsOfTheReply(): void
    {
        $this->travelToMoment('2026-03-02 10:00');
        $this->textFrom(self::WEN, 'Hello?');
        $wen = Conversation::query()->sole();
        $nia = $this->staff(Role::Agent);
        $type = RecordType::query()->where('key', 'booking')->firstOrFail();
        $booking = Record::query()->create([
            'record_type_id' => $type->id, 'person_id' => $wen->person_id, 'values' => ['instructor' => $nia->id],
            'added_at' => now(), 'changed_at' => now(),
        ]);
        $mira = $this->staff(Role::Administrator);
        $minute = 0;
        $hear = function (?string $choice) use ($wen, $booking, $mira, &$minute): array {
            $this->travelToMoment(sprintf('2026-03-02 10:%02d', ++$minute));
            $this->actingAs($mira)->post(route('people.texts.store', $wen->person_id), array_filter([
                'text' => 'Here we are.', 'line' => $wen->line_id, 'record' => $booking->id, 'hears' => $choice,
            ]))->assertSessionHasNoErrors();
            $this->textFrom(self::WEN, 'Thursday then?');

            return $this->told();
        };

        self::assertSame(['Mira Okafor'], $hear('me'));
        self::assertSame(['Mira Okafor'], $hear(null));
        self::assertSame(['Nia Sorrell'], $hear('record'));
        self::assertSame(['Nia Sorrell', 'Tom Reyes'], $hear('line'));
        $this->put(route('conversations.owner', $wen), ['owner' => $mira->id])->assertSessionHasNoErrors();
        self::assertSame(['Mira Okafor'], $hear(null));
        self::assertSame(['Nia Sorrell', 'Tom Reyes'], $hear('line'));
        self::assertSame(['Mira Okafor'], $hear('usual'));
        $this->post(route('people.texts.store', $wen->person_id), ['text' => 'So.', 'line' => $wen->line_id, 'hears' => 'all'])
            ->assertSessionHasErrors(['hears' => 'Choose who hears of a reply.']);
        $this->get(route('people.write', [$wen->person, 'record' => $booking->id]))->assertSee('Nia Sorrell, whose booking it is');
    }

    public function testALinesMailboxAndWhoeverLikesHearsByText(): void
    {
        $nia = $this->staff(Role::Agent);
        $this->actingAs($nia)->post(route('account.number'), ['number' => '07700 900777'])
            ->assertSessionHas('done', 'A code is on its way.');
        $this->post(route('account.number'), ['code' => '1'])->assertSessionHasErrors('code');
        self::assertSame(1, preg_match('/is (\d{6})\./', $this->handedOver[0]['text'], $code));
        $this->post(route('account.number'), ['code' => $code[1]])->assertSessionHas('done', 'The number is yours.');
        $this->put(route('account.update'), ['mailed' => '1', 'texted' => '1'])->assertSessionHasNoErrors();
        $this->get(route('account'))->assertSee('+44 7700 900777, confirmed.');
        $line = Line::query()->where('number', self::FRONT_DESK)->sole();
        $this->actingAs($this->staff(Role::Administrator));
        $this->put(route('lines.update', $line), ['people' => [$nia->id], 'tells' => 'desk'])->assertSessionHasErrors('tells');
        $this->put(route('lines.update', $line), ['people' => [$nia->id], 'tells' => 'desk@osierquay.example']);
        $this->handedOver = [];
        foreach (['Hello?', 'Still there?'] as $text) {
            $this->textFrom(self::WEN, $text);
        }
        $texts = array_column($this->handedOver, 'text', 'to');
        self::assertSame(['+447700900777'], array_keys($texts));
        self::assertStringContainsString('wrote to the front desk: “Hello?” http', $texts['+447700900777'] ?? '');
        self::assertEqualsCanonicalizing(['desk@osierquay.example', 'nia@osierquay.example'], $this->mailed());

        Conversation::query()->update(['staff_id' => $nia->id, 'waiting_since' => null]);
        $this->textFrom(self::WEN, 'And on Friday?');
        self::assertCount(1, array_keys($this->mailed(), 'desk@osierquay.example', true), 'it is somebody’s now');
    }

    public function testWhatAsksForNobodyIsToldToNobody(): void
    {
        $this->textFrom(self::WEN, 'STOP');
        $this->fromCarrier([
            'kind' => 'text', 'ref' => 'W1', 'from' => self::WEN, 'to' => '+447700900101', 'text' => 'The workshop has nobody',
        ]);
        self::assertSame([], $this->told());
    }

    public function testItsOwnerAloneIsToldWithinTheirHoursOrWhoeverStandsIn(): void
    {
        [$nia, $tom, $mira] = array_map($this->staff(...), [Role::Agent, Role::Operator, Role::Administrator]);
        $this->actingAs($nia)->put(route('account.update'), $this->hours('08:00', '10:00') + ['stand_in' => $tom->id])
            ->assertSessionHasNoErrors();
        $this->actingAs($mira)->put(route('staff.attendance.update', $tom), [
            'away_until' => '2026-03-02T12:00',
        ])->assertSessionHas('done', 'Kept for Tom Reyes.');
        self::assertFalse($tom->refresh()->mailed);

        $this->textFrom(self::WEN, 'First');
        $wen = Conversation::query()->sole();
        // It is ten: her hours are over, and he is away.
        self::assertSame([], $this->told());
        $this->put(route('conversations.owner', $wen), ['owner' => $nia->id]);
        Notice::query()->update(['put_away_at' => now()]);
        $this->put(route('conversations.done', $wen));
        ReplyNotices::answered($wen->id, resolve(ClockInterface::class)->now());

        $this->travelToMoment('2026-03-02 12:00');
        $this->textFrom(self::WEN, 'Second');
        self::assertSame(['Tom Reyes'], $this->told());
        ReplyNotices::answered($wen->id, resolve(ClockInterface::class)->now());

        $tom->update(['away_until' => now()->addDays(9)]);
        $this->travelToMoment('2026-03-02 13:00');
        $this->textFrom(self::WEN, 'Third');
        self::assertSame([], $this->told());
        $this->travelToMoment('2026-03-03 07:59');
        $this->artisan('linnet:work', ['--until-idle' => true]);
        self::assertSame([], $this->told());
        $this->travelToMoment('2026-03-03 08:00');
        self::assertSame(1, resolve(ReplyNotices::class)->sendDue(resolve(ClockInterface::class)->now()));
        self::assertSame(['Nia Sorrell'], $this->told());
        self::assertSame(0, resolve(ReplyNotices::class)->sendDue(resolve(ClockInterface::class)->now()));
    }

    public function testWhoWouldBeToldLaterIsNotWhereSomebodyTookItMeanwhile(): void
    {
        $this->actingAs($this->staff(Role::Operator))->put(route('account.update'), $this->hours('12:00', '18:00'));
        $this->textFrom(self::WEN, 'First');
        self::assertSame(['Nia Sorrell'], $this->told());
        $mira = $this->staff(Role::Administrator);
        $this->actingAs($mira)->put(route('conversations.owner', Conversation::query()->sole()), ['owner' => $mira->id]);
        $this->travelToMoment('2026-03-02 12:00');
        self::assertSame(0, resolve(ReplyNotices::class)->sendDue(resolve(ClockInterface::class)->now()));
        self::assertSame(['Nia Sorrell'], $this->told());
    }

    public function testWhoeverHasLeftIsToldNothing(): void
    {
        $mira = $this->staff(Role::Administrator);
        $nia = $this->staff(Role::Agent);
        $this->textFrom(self::WEN, 'First');
        $wen = Conversation::query()->sole();
        $this->actingAs($mira)->put(route('conversations.owner', $wen), ['owner' => $nia->id]);
        $this->put(route('staff.update', $nia), ['do' => 'off', 'heir' => $mira->id]);
        self::assertSame($mira->id, $wen->refresh()->staff_id);
        Notice::query()->update(['put_away_at' => now()]);
        $this->post(route('conversations.done', $wen));
        $this->textFrom(self::WEN, 'Second');
        self::assertSame(['Mira Okafor'], $this->told());
    }

    public function testHoursThatAreNoneAreSaidAtTheirField(): void
    {
        $this->actingAs($nia = $this->staff(Role::Agent));
        $this->put(route('account.update'), ['week' => ['mon' => ['from' => '10:00', 'to' => '']]] + $this->hours('09:00', '17:00'))
            ->assertRedirect(route('account'))->assertSessionHasErrors('hours-mon');
        $this->put(route('account.update'), ['stand_in' => $nia->id])->assertSessionHasErrors(['stand_in' => 'Choose another of the staff.']);
        $this->put(route('account.update'), ['away_until' => 'soon'])->assertSessionHasErrors('away_until');
        self::assertNull($nia->refresh()->hours);
    }

    /** @return list<string> whose screen says that somebody waits */
    private function told(): array
    {
        return array_values(Staff::query()
            ->whereKey(Notice::query()->where('name', 'like', 'reply/%')->whereNull('put_away_at')->pluck('staff_id'))
            ->orderBy('name')
            ->pluck('name')
            ->all());
    }

    /** @return list<string> */
    private function mailed(): array
    {
        $mails = OutboundTask::query()->where('name', 'like', 'reply/%')->where('kind', 'email');

        return array_values($mails->orderBy('address')->pluck('address')->all());
    }

    /** @return array<string, mixed> */
    private function hours(string $from, string $to): array
    {
        return [
            'mailed' => '1', 'hours' => '1', 'closed' => '',
            'week' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], ['from' => $from, 'to' => $to]),
        ];
    }
}
