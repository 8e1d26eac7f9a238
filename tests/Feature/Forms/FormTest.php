<?php

declare(strict_types=1);

namespace Tests\Feature\Forms;

use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Consent;
use App\Models\Form;
use App\Models\FormSend;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Number;
use App\Models\Person;
use App\Models\Record;
use App\Models\Role;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\TestCase;

final class FormTest extends TestCase
{
    private const WORDING = 'Send me news of the quay by text, about once a month.';

    public function testAFormMakesThePersonKnownAndTellsTheRules(): void
    {
        Form::query()->create(['key' => 'hire', 'name' => 'Hire', 'power' => 'on']);

        $this->get('/f/hire')->assertOk()->assertSee('Hire')->assertDontSee('Log in')->assertDontSee('agrees');
        $this->post('/f/hire', ['name' => 'Ottoline', 'number' => '07700 900 555'])->assertRedirect('/f/hire')->assertSessionHas('sent');

        self::assertSame('Ottoline', $this->person('+447700900555')->first_name);
        self::assertSame(
            ['form' => 'hire', 'name' => 'Ottoline'],
            Change::query()->where('kind', ChangeKind::FormSent)->firstOrFail()->with,
        );
        self::assertSame(0, Consent::query()->count());
    }

    public function testWhatIsAgreedToStandsInTheLedgerWithTheWordsThatWereShown(): void
    {
        Form::query()->create(['key' => 'news', 'name' => 'News', 'power' => 'on', 'wording' => self::WORDING]);

        $this->post('/f/news', ['number' => '07700 900555', 'agrees' => '1']);

        $entry = Consent::query()->firstOrFail();
        self::assertSame(
            ['+447700900555', 'granted', 'marketing', 'form', self::WORDING, '127.0.0.1'],
            [$entry->number, $entry->act, $entry->scope, $entry->how, $entry->wording, $entry->getAttribute('from')],
        );
    }

    public function testAgreeingThatHasToBeConfirmedCountsOnceTheySayYes(): void
    {
        Form::query()->create([
            'key' => 'news', 'name' => 'News', 'power' => 'on', 'wording' => self::WORDING, 'confirmed_by_text' => true,
            'line' => 'front-desk',
        ]);

        $this->post('/f/news', ['number' => '07700 900555', 'agrees' => '1'])->assertSessionHas('asks', true);
        $this->work();
        self::assertStringContainsString('Answer YES', $this->handedOver[0]['text']);
        self::assertSame(0, Consent::query()->count());
        // Sent in again within the hour, nothing is asked twice.
        $this->post('/f/news', ['number' => '07700 900555', 'agrees' => '1']);
        $this->work();
        self::assertCount(1, $this->handedOver);

        $this->textFrom('+447700900555', 'Yes!');
        $this->work();
        self::assertSame(['granted', 'marketing', 'form'], array_values(Consent::query()->firstOrFail()->only(['act', 'scope', 'how'])));
        self::assertStringContainsString('you are on the list', $this->handedOver[1]['text']);
        // A yes that nobody waits for is for a person to read.
        $this->textFrom('+447700900555', 'Yes');
        self::assertSame(1, Consent::query()->count());
        self::assertSame('talk', Message::query()->where('origin', MessageOrigin::Them)->orderByDesc('id')->firstOrFail()->meaning?->value);
    }

    public function testTheFormDoesNotTellWhoHasSaidStop(): void
    {
        Form::query()->create([
            'key' => 'news', 'name' => 'News', 'power' => 'on', 'wording' => self::WORDING, 'confirmed_by_text' => true,
        ]);
        $this->textFrom(self::WEN, 'STOP');
        $this->work();
        $before = count($this->handedOver);

        $pages = array_map(function (string $number): string {
            $this->post('/f/news', ['number' => $number, 'agrees' => '1'])->assertSessionHasNoErrors()->assertSessionHas('asks', true);

            return (string) $this->get('/f/news')->getContent();
        }, [self::WEN, '+447700900555']);
        $this->work();

        self::assertSame($pages[0], $pages[1]);
        self::assertSame(['+447700900555'], array_column(array_slice($this->handedOver, $before), 'to'));
    }

    public function testAStrangerPutsNoWordsIntoOurTexts(): void
    {
        Form::query()->create(['key' => 'hire', 'name' => 'Hire', 'power' => 'on']);
        foreach (
            [
                'We have your wish, you won, claim at http://osier.example', 'You won claim it now', '+44 7700 900911', 'osier.example',
                str_repeat('a', 31),
            ] as $name
        ) {
            $this->post('/f/hire', ['name' => $name, 'number' => '07700 900555'])
                ->assertSessionHasErrors('name')
                ->assertSessionHasInput('number', '07700 900555');
        }
        self::assertFalse(Number::query()->where('e164', '+447700900555')->exists());
        $this->post('/f/hire', ['name' => 'Anne-Marie O’Neill', 'number' => '07700 900555'])->assertSessionHasNoErrors();
        self::assertSame('Anne-Marie O’Neill', $this->person('+447700900555')->first_name);
    }

    public function testAStrangerChangesNothingOfSomebodyKnownUntilTheirNumberSaysYes(): void
    {
        Form::query()->create(['key' => 'news', 'name' => 'News', 'power' => 'on', 'wording' => self::WORDING]);
        $this->missedCall('+447700900555');
        $this->work();

        $this->post('/f/news', ['name' => 'Ottoline', 'number' => '07700 900555', 'agrees' => '1'])->assertSessionHas('sent');
        $this->work();
        self::assertNull($this->person('+447700900555')->first_name);
        self::assertSame(0, Consent::query()->count());

        $this->textFrom('+447700900555', 'Yes');
        self::assertSame('Ottoline', $this->person('+447700900555')->first_name);
        self::assertSame('granted', Consent::query()->sole()->act);
    }

    public function testNoMoreThanSomeAreAskedInAnHour(): void
    {
        $form = Form::query()->create([
            'key' => 'news', 'name' => 'News', 'power' => 'on', 'wording' => self::WORDING, 'confirmed_by_text' => true,
        ]);
        DB::table('confirmations')->insert(
            array_map(
                fn (int $i): array => [
                    'form_id' => $form->id, 'person_id' => 1, 'number' => "+4477009000$i", 'wording' => self::WORDING,
                    'at' => '2026-03-02 09:30:00',
                ],
                range(0, 199),
            ),
        );

        $this->post('/f/news', ['number' => '07700 900555', 'agrees' => '1'])->assertSessionHasErrors(['agrees']);
        $this->work();
        self::assertSame([], $this->handedOver);

        $this->travelToMoment('2026-03-02 10:31');
        $this->post('/f/news', ['number' => '07700 900555', 'agrees' => '1'])->assertSessionHas('asks', true);
        $this->work();
        self::assertCount(1, $this->handedOver);
    }

    public function testMachinesAndWrongNumbersLeaveNothingBehind(): void
    {
        Form::query()->create(['key' => 'news', 'name' => 'News', 'power' => 'on', 'wording' => self::WORDING]);
        Form::query()->create(['key' => 'old', 'name' => 'Old', 'power' => 'paused']);
        $people = Person::query()->count();

        $this->post('/f/news', ['number' => '07700 900555', 'agrees' => '1', 'website' => 'http://spam.example'])->assertSessionHas('sent');
        $this->post('/f/news', ['number' => '12', 'name' => 'Kept'])
            ->assertSessionHasErrors('number')
            ->assertSessionHasInput('name', 'Kept');
        $this->post('/f/old', ['number' => '07700 900555'])->assertNotFound();
        for ($i = 0; $i < 6; $i++) {
            $last = $this->post('/f/news', ['number' => 'x']);
        }

        $last->assertTooManyRequests();
        self::assertSame($people, Person::query()->count());
        self::assertSame(0, Consent::query()->count());
    }

    public function testTheAdministratorMakesFormsAndClosesThem(): void
    {
        $this->actingAs($this->staff(Role::Administrator));

        $this->post('/settings/forms', [
            'name' => 'Ask about hire', 'wording' => self::WORDING, 'confirmed_by_text' => '1', 'line' => 'front-desk',
        ])->assertSessionHasNoErrors();
        $this->post('/settings/forms', ['name' => 'Ask about HIRE'])->assertSessionHasErrors('name');
        $this->post('/settings/forms', ['name' => ''])->assertSessionHasErrors('name');
        $this->get('/settings/forms')->assertOk()->assertSee('/f/ask-about-hire');
        $this->put('/settings/forms/ask-about-hire', ['name' => 'Ask about hire'])->assertSessionHasNoErrors();

        $this->get('/f/ask-about-hire')->assertNotFound();
    }

    public function testItAsksForMoreAndAddsARecordAndChangesNothingOfSomebodyKnown(): void
    {
        $asks = ['person.email', 'booking.places', 'booking.lesson'];
        $form = $this->form(['adds' => 'booking', 'asks' => $asks, 'required' => ['booking.places']]);
        $this->get('/f/try')->assertSee('Your email')->assertSee('name="booking_places"', false);
        $this->post('/f/try', ['number' => '07700 900555'])->assertSessionHasErrors(['booking_places' => 'This is needed.']);
        $this->post('/f/try', ['number' => '07700 900555', 'booking_places' => 'many'])->assertSessionHasErrors('booking_places');
        $said = ['number' => '07700 900555', 'booking_places' => '2', 'booking_lesson' => 'Canoe for two'];
        $this->post('/f/try', ['person_email' => 'no'] + $said)->assertSessionHasErrors('person_email');
        $said['person_email'] = 'Otti@example.org';
        $this->post('/f/try', $said)->assertSessionHas('sent');
        $otti = $this->person('+447700900555');
        $booking = Record::query()->where('person_id', $otti->id)->sole();
        self::assertSame(['otti@example.org', 2, 'Canoe for two'], [$otti->email, $booking->values['places'], $booking->values['lesson']]);

        $this->post('/f/try', ['person_email' => 'thief@example.org', 'name' => 'Thief'] + $said)->assertSessionHas('sent');
        self::assertSame(['otti@example.org', null], [$otti->refresh()->email, $otti->first_name]);
        $this->get(route('forms.edit', $form))->assertSee('sent in 2 times')->assertSee('Canoe for two')
            ->assertSee('email: thief@example.org');
        // What was empty is filled in once the number says yes; what would replace something is for one of us.
        $form->update(['wording' => self::WORDING]);
        $this->post('/f/try', ['person_email' => 'new@example.org', 'name' => 'Otti', 'agrees' => '1'] + $said)->assertSessionHas('sent');
        $this->work();
        $this->textFrom('+447700900555', 'Yes');
        self::assertSame(['otti@example.org', 'Otti'], [$otti->refresh()->email, $otti->first_name]);
        $last = FormSend::query()->orderByDesc('id')->firstOrFail();
        $this->post(route('forms.take', [$form, $last]))->assertRedirect(route('forms.edit', $form));
        self::assertSame(['new@example.org', 'Otti'], [$otti->refresh()->email, $otti->first_name]);
        $this->get(route('forms.edit', $form))->assertSee('taken');
    }

    public function testAPageOfSomebodysMaySendItInWhereItsOriginIsNamedAndNoOther(): void
    {
        $this->form(['origins' => "https://www.osierquay.example\nhttps://shop.osierquay.example/"]);
        Auth::logout();
        $post = fn (?string $origin, array $headers = []): TestResponse => $this->post(
            '/f/try/post', ['number' => '07700 900555'], array_filter(['Origin' => $origin]) + $headers,
        );
        $post(null)->assertForbidden();
        $post('https://elsewhere.example')->assertForbidden();
        $post('https://www.osierquay.example.elsewhere.example')->assertForbidden();
        self::assertSame(0, FormSend::query()->count());
        $post('https://www.osierquay.example')->assertOk()->assertSee('Thank you.');
        $post('https://shop.osierquay.example', ['Accept' => 'application/json'])->assertOk()->assertExactJson(['sent' => true])
            ->assertHeader('Access-Control-Allow-Origin', 'https://shop.osierquay.example');
        $this->post('/f/try/post', ['number' => 'none'], ['Origin' => 'https://shop.osierquay.example'])->assertStatus(422)
            ->assertSee('value="none"', false);
        self::assertSame(2, FormSend::query()->count());

        self::assertStringContainsString("frame-ancestors 'none'", (string) $this->get('/f/try')->headers->get('Content-Security-Policy'));
        $framed = $this->get('/f/try?embedded=1')->assertSee('/f/try/post');
        self::assertStringContainsString(
            'frame-ancestors https://www.osierquay.example https://shop.osierquay.example;',
            (string) $framed->headers->get('Content-Security-Policy'),
        );
        self::assertFalse($framed->headers->has('X-Frame-Options'));
    }

    public function testItsColourCanBeReadAndItsWordingsAreKept(): void
    {
        $form = $this->form(['colour' => '#4C6B45', 'wording' => self::WORDING]);
        $this->get('/f/try')->assertSee('/f/try/colours.css');
        $this->get('/f/try/colours.css')->assertHeader('Content-Type', 'text/css; charset=utf-8')->assertSee('background:#4c6b45');
        foreach ([['colour' => '#ffee00'], ['colour' => 'red;}'], ['origins' => 'https://a b'], ['back' => 'javascript:1']] as $wrong) {
            $this->put(route('forms.update', $form), ['name' => 'Try', 'on' => '1'] + $wrong)
                ->assertSessionHasErrors(array_key_first($wrong));
        }
        $this->put(route('forms.update', $form), ['name' => 'Try', 'on' => '1', 'wording' => 'Only in spring.', 'colour' => '#4C6B45']);
        $this->get(route('forms.edit', $form))->assertSeeInOrder(['Only in spring.', self::WORDING]);
    }

    /** @param  array<string, mixed>  $with */
    private function form(array $with): Form
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->post(route('forms.store'), ['name' => 'Try']);
        $form = Form::query()->where('key', 'try')->sole();
        $this->put(route('forms.update', $form), ['name' => 'Try', 'on' => '1'] + $with)->assertSessionHasNoErrors();

        return $form->refresh();
    }
}
