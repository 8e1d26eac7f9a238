<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Business;
use App\Models\Delivery;
use App\Models\Message;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Source;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

final class SourcesScreenTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testASourceIsMadeUnderANameOfItsOwnWithASecretShownOnce(): void
    {
        $make = fn (string $name) => $this->post('/sources', ['kind' => 'feed', 'name' => $name, 'type' => 'job']);
        $make('Phone')->assertRedirect('/sources/phone-2')->assertSessionHas('secret');
        $make('Carrier')->assertRedirect('/sources/carrier-2');
        $make('???')->assertRedirect('/sources/source');
        $this->get('/sources/source')->assertOk()->assertSee('Say what they mean');
        $this->post('/sources', ['kind' => 'feed', 'name' => '', 'type' => 'nothing'])->assertSessionHasErrors([
            'name' => 'Give it a name you will know it by.',
            'type',
        ]);
        $this->post('/sources', ['kind' => 'watched', 'name' => 'x', 'type' => 'job'])->assertSessionHasErrors([
            'address' => 'Give the address of the file.',
        ]);
        $this->post('/sources', [
            'kind' => 'watched', 'name' => 'x', 'type' => 'job', 'address' => 'https://a.example', 'every_minutes' => 1,
        ])->assertSessionHasErrors('every_minutes');

        $source = Source::query()->where('key', 'source')->firstOrFail();
        self::assertStringStartsWith('whsec_', (string) $source->secret);
        self::assertStringNotContainsString(
            (string) $source->secret,
            (string) json_encode($this->app->make('db')->table('sources')->where('id', $source->id)->first()),
        );
    }

    public function testTodayAndTheListSayWhatASourceWaitsFor(): void
    {
        $this->post('/sources', ['kind' => 'feed', 'name' => 'Rental desk', 'type' => 'job']);
        $secret = (string) Source::query()->where('key', 'rental-desk')->firstOrFail()->secret;
        $this->withToken($secret)->postJson('/in/rental-desk', ['a' => 1])->assertStatus(202);
        $this->withToken($secret)->postJson('/in/rental-desk', ['a' => 2])->assertStatus(202);

        $this->get('/today')->assertSee('Rental desk has sent two deliveries that wait')->assertSee('/sources/rental-desk/mapping');
        $this->get('/sources')->assertSee('nobody has said what it means');
        $this->get('/sources/rental-desk?find=%22a%22:2')
            ->assertOk()
            ->assertSee('{&quot;a&quot;:2}', false)
            ->assertDontSee('{&quot;a&quot;:1}', false);
        $this->get('/sources/rental-desk/mapping')->assertOk()->assertSee('As it is, this one would be taken.');
        $this->post('/sources/rental-desk/mapping/publish')->assertSessionHas(
            'done',
            'No value is put anywhere yet, so nothing would be taken.',
        );
    }

    public function testAnotherTypeLetsTheOldFieldsGoAndTheMappingIsDropped(): void
    {
        $this->missedCall(self::WEN);
        $this->put('/sources/phone/mapping/type', ['type' => 'job'])->assertRedirect();
        $draft = Source::query()->where('key', 'phone')->firstOrFail()->draft ?? [];
        self::assertSame(['job', [], ['number' => ['at' => 'cli']]], [$draft['type'], $draft['fields'], $draft['person']]);
        $this->delete('/sources/phone/mapping');
        self::assertNull(Source::query()->where('key', 'phone')->firstOrFail()->draft);

        $delivery = Delivery::query()->firstOrFail();
        $other = Source::query()->where('key', 'shop')->firstOrFail();
        $this->get("/sources/shop/deliveries/$delivery->id")->assertNotFound();
        $this->put('/sources/shop/mapping/sample', ['delivery' => $delivery->id])->assertSessionHasErrors('delivery');
        self::assertNull($other->sample_id);
    }

    public function testWhatComesInMayBeHostileAndIsShownAsItIs(): void
    {
        $this->postPhone(
            '{"ref":"<script>alert(1)</script>","cli":"\" onload=x","why_unanswered":"{{ 1111*1111 }}","<b>key":{"a.b":["</pre>"]}}',
        );
        $delivery = Delivery::query()->firstOrFail();
        foreach (["/sources/phone/deliveries/$delivery->id", '/sources/phone', '/sources/phone/mapping'] as $page) {
            $shown = $this->get($page)->assertOk();
            $shown->assertDontSee('<script>alert(1)', false)->assertDontSee('<b>key', false)->assertDontSee('1234321');
        }
    }

    public function testATextNamesWhatARecordRefersTo(): void
    {
        $document = [
            'linnet_rule' => 1, 'name' => 'Lesson booked', 'trigger' => ['on' => 'record_added', 'type' => 'booking'],
            'conditions' => ['all' => [['field' => 'booking.instructor', 'test' => 'is', 'value' => 'Tom Reyes']]],
            'again' => ['policy' => 'once_per_record'], 'stop_early' => ['reply' => true],
            'steps' => [
                [
                    'id' => 't', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'fixed', 'key' => 'front-desk'],
                    'wordings' => [
                        [
                            'id' => 'w',
                            'text' => '{{ booking.lesson }} with {{ booking.instructor }} on {{ booking.starts_at | as: "weekday time" }}, {{ booking.price | as: "money" }}',
                        ],
                    ],
                ],
            ],
        ];
        $rule = Rule::query()->create(['name' => 'Lesson booked', 'power' => ActivationState::On, 'on_since' => now()]);
        $rule->update([
            'version_id' => RuleVersion::query()->create(['rule_id' => $rule->id, 'number' => 1, 'document' => $document, 'at' => now()])
                ->id,
        ]);
        $this->post('/records/booking', [
            'fields' => [
                'who' => self::WEN, 'lesson' => 'Sculling taster', 'instructor' => '#2', 'starts_at' => '2026-03-28T10:00', 'price' => '38',
            ],
        ])->assertSessionHasNoErrors();
        $this->work();

        self::assertStringContainsString(
            'Sculling taster with Tom Reyes on Saturday 10:00, £38',
            Message::query()->where('rule_id', $rule->id)->sole()->body,
        );
        $booking = Record::query()
            ->where('record_type_id', RecordType::query()->where('key', 'booking')->value('id'))
            ->sole();
        $this->get("/records/booking/$booking->id")
            ->assertOk()
            ->assertSeeInOrder(['Tom Reyes', 'Booking added, by Mira Okafor.', 'Sculling taster with Tom Reyes']);
    }

    public function testTheAccountsRuleForTwoPeopleIsSet(): void
    {
        $this->get('/settings')->assertOk()->assertSee('Who is who');
        $this->put('/settings/people', ['conflicts' => 'guess'])->assertSessionHasErrors('conflicts');
        $this->put('/settings/people', ['conflicts' => 'refuse'])->assertSessionHasNoErrors();
        self::assertSame('refuse', Business::ours()->conflicts->value);
        $this->post('/settings/tokens', ['name' => 'Website'])->assertSessionHasErrors(['abilities' => 'Tick what it may do.']);
        $this->post('/settings/tokens', ['name' => 'Website', 'abilities' => ['everything']])->assertSessionHasErrors('abilities.0');
        $this->post('/settings/tokens', ['name' => 'Website', 'abilities' => ['people:read']])->assertSessionHas('token');
        $this->get('/settings')->assertSee('read people');
        $this->get('/api')->assertOk()->assertSee('/records/{record}');
        $this->get('/api?as=json')->assertOk()->assertDownload('linnet-openapi.json');
    }
}
