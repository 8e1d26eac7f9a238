<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Intake\ChangeOrigin;
use App\Intake\IntakeResult;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Change;
use App\Models\Conflicts;
use App\Models\Consent;
use App\Models\Message;
use App\Models\Number;
use App\Models\Person;
use App\Models\Record;
use App\Models\Role;
use App\Models\Source;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\ConsentInput;
use Linnet\Core\Intake\KnownPeople;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\Numbers;
use Tests\Feature\TestCase;

final class PeopleTest extends TestCase
{
    public function testSomebodyIsKnownByTheirNameElsewhereThenTheirNumberThenTheirEmail(): void
    {
        $first = $this->say('C1', '07700 900601', 'a@example.org');
        self::assertSame($first, $this->say('C1', null, null));
        self::assertSame($first, $this->say(null, '+44 7700 900601', null));
        self::assertSame($first, $this->say(null, null, 'A@example.org'));
        self::assertSame($first, $this->say('C2', '07700900601', null), 'another name for the same number');
        self::assertSame($first, $this->say('C2', null, null));
        self::assertNotSame($first, $this->say('C3', null, null));
        self::assertNotSame($first, $this->say('C1', null, null, source: 'shop'), 'another system’s C1 is somebody else');
    }

    public function testOneNumberWrittenThreeWaysIsOnePerson(): void
    {
        $this->missedCall('+447700900911');
        $this->missedCall('07700 900911');
        $this->missedCall('+44 (0)7700 900911');

        self::assertSame(1, Number::query()->where('e164', '+447700900911')->count());
        self::assertSame(3, Record::query()->where('person_id', $this->person('+447700900911')->id)->count());
        self::assertSame(0, Message::query()->count());
    }

    public function testOlderNewsOfWhoseARecordIsChangesNothing(): void
    {
        $origin = ChangeOrigin::delivery(Source::query()->where('key', 'bookings')->sole(), null);
        foreach ([['07700 900601', 2.0, []], ['07700 900602', 1.0, ['places' => 3]]] as [$number, $version, $more]) {
            $person = new PersonInput(number: Numbers::read($number, 'GB'));
            resolve(RecordWriter::class)->upsert(
                new Cleaned('booking', 'B1', $person, ['lesson' => 'First strokes'] + $more, version: $version), $origin,
            );
        }

        $booking = Record::query()->where('external_id', 'B1')->sole();
        self::assertSame(3, $booking->values['places']);
        $whose = $this->person('+447700900601')->id;
        self::assertSame([$whose, $whose], [$booking->values['who'], $booking->person_id]);
    }

    public function testWhenItLeadsToTwoTheAccountsRuleDecides(): void
    {
        $one = $this->say('C1', '07700 900601', null);
        $other = $this->say(null, '07700 900602', 'b@example.org');
        self::assertSame($one, $this->say('C1', '07700 900602', 'b@example.org'));
        self::assertSame($other, $this->say(null, '07700 900602', null), 'the number stays where it was');

        Business::ours()->update(['conflicts' => Conflicts::Refuse]);
        $this->expectExceptionMessage('intake.two_people');
        $this->say('C1', '07700 900602', null);
    }

    public function testWhereASystemIsToBeBelievedItsNewNumberIsTheOneToUse(): void
    {
        $id = $this->say('C1', '07700 900601', null, ['first_name' => 'Ann', 'last_name' => 'Old']);
        $this->say('C1', '07700 900603', null, ['last_name' => 'New'], KnownPeople::Fill);
        self::assertSame(
            ['Old', '+447700900601'],
            [Person::query()->findOrFail($id)->last_name, Person::query()->findOrFail($id)->number?->e164],
        );
        $this->say('C1', '07700 900604', null, ['last_name' => 'New'], KnownPeople::Overwrite);
        $ann = Person::query()->findOrFail($id);

        self::assertSame(
            ['Ann', 'New', '+447700900604', 3],
            [$ann->first_name, $ann->last_name, $ann->number?->e164, $ann->numbers()->count()],
        );
        $change = Change::query()->where('person_id', $id)->orderByDesc('id')->firstOrFail();
        self::assertEquals(
            [['last_name' => 'Old', 'number' => null], ['last_name' => 'New', 'number' => '+447700900604']],
            [$change->from, $change->to],
        );
        $this->say('C1', null, null, ['last_name' => 'Newer'], KnownPeople::Leave);
        self::assertSame('New', $ann->refresh()->last_name);
    }

    public function testABatchKnowsWhoItHasJustMade(): void
    {
        $said = fn (?string $number, ?string $email): Cleaned => new Cleaned(
            'person', null, new PersonInput(null, $number === null ? null : Numbers::read($number, 'GB'), $email), [],
        );
        $done = resolve(RecordWriter::class)->upsertMany(
            [
                'a' => $said('07700 900611', 'c@example.org'), 'b' => $said(null, 'c@example.org'), 'c' => $said('07700 900611', null),
                'd' => $said(null, null),
            ],
            ChangeOrigin::seed('test'),
        );

        self::assertSame(
            [IntakeResult::Added, IntakeResult::Same, IntakeResult::Same],
            array_map(fn ($one) => $one instanceof Refused ? null : $one->outcome, array_values(array_slice($done, 0, 3))),
        );
        self::assertInstanceOf(Refused::class, $done['d']);
        self::assertSame(1, Person::query()->where('email', 'c@example.org')->count());
    }

    public function testStatedConsentIsEnteredWithItsProofAndNeverUndoesAStop(): void
    {
        $agree = fn (?string $at): ConsentInput => new ConsentInput(true, false, 'Yes please', $at);
        $this->say(null, self::WEN, null, consent: $agree('2026-02-01T10:00:00Z'));
        $this->say(null, self::WEN, null, consent: $agree('2026-02-01T10:00:00Z'));
        $entry = Consent::query()->sole();
        self::assertSame(
            ['granted', 'marketing', 'Yes please (from Phone system)', '2026-02-01 10:00'],
            [$entry->act, $entry->scope, $entry->wording, $entry->at->format('Y-m-d H:i')],
        );

        $this->textFrom(self::WEN, 'STOP');
        $this->say(null, self::WEN, null, consent: $agree(null));
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertSame(0, Message::query()->where('origin', 'rule')->whereNotNull('left_at')->count());

        $this->say(null, '+447700900606', null, consent: new ConsentInput(null, true, 'asked on the quay', null));
        self::assertSame('withdrawn', Consent::query()->where('number', '+447700900606')->sole()->act);
    }

    public function testPeopleAreAddedAndChangedByHand(): void
    {
        $this->actingAs($this->staff(Role::Operator));
        $this->post('/people', ['first_name' => 'Zora'])->assertSessionHasErrors('number');
        $this->post('/people', ['first_name' => 'Zora', 'number' => '12', 'email' => 'zora'])->assertSessionHasErrors('email');
        $this->post('/people', ['first_name' => 'Zora', 'number' => '07700 900777', 'zone' => 'Mars'])->assertSessionHasErrors([
            'zone' => 'A time zone such as Europe/London is expected.',
        ]);
        $this->post('/people', [
            'first_name' => 'Zora', 'number' => '07700 900777', 'zone' => 'America/Toronto', 'fields' => ['member_since' => '2024-05-01'],
        ])->assertRedirect();
        $zora = $this->person('+447700900777');
        self::assertSame(['Zora', 'America/Toronto', ['member_since' => '2024-05-01']], [$zora->first_name, $zora->zone, $zora->fields]);

        $this->put("/people/$zora->id", ['first_name' => 'Zora', 'number' => self::WEN])->assertSessionHasErrors([
            'number' => '+44 7700 900301 belongs to Wen Li.',
        ]);
        $this->put("/people/$zora->id", [
            'first_name' => 'Zora', 'last_name' => 'Hale', 'number' => '07700 900777', 'fields' => ['member_since' => 'soon'],
        ])->assertSessionHasErrors('fields.member_since');
        $this->put("/people/$zora->id", [
            'first_name' => 'Zora', 'last_name' => 'Hale', 'number' => '07700 900777', 'fields' => ['member_since' => ''],
        ])->assertSessionHasNoErrors();
        self::assertSame(['Hale', []], [$zora->refresh()->last_name, $zora->fields]);
        $this->get("/people/$zora->id")->assertSee('Last name: “Hale”; Member since taken out (was “', false)->assertSee('by Tom Reyes');
    }

    /** @param  array<string, string>  $own */
    private function say(
        ?string $id,
        ?string $number,
        ?string $email,
        array $own = [],
        KnownPeople $known = KnownPeople::Fill,
        ?ConsentInput $consent = null,
        string $source = 'phone',
    ): int {
        $said = new PersonInput(
            $id, $number === null ? null : Numbers::read($number, 'GB'), $email === null ? null : mb_strtolower($email), $own, [], $consent,
        );

        return resolve(RecordWriter::class)->upsert(
            new Cleaned('person', null, $said, [], $known),
            ChangeOrigin::delivery(Source::query()->where('key', $source)->firstOrFail(), null),
        )->personId ?? 0;
    }
}
