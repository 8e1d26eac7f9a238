<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Models\Change;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Record;
use App\Models\Role;
use App\Models\Source;
use App\Sentences\Sentence;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Record\ActivationState;
use StandardWebhooks\Webhook;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

final class FeedTest extends TestCase
{
    private const BASKET = [
        'korb' => 'K-1', 'lfd' => 1, 'zustand' => 'OFFEN',
        'kunde' => ['nr' => 'KD1', 'tel' => '07700900343', 'mail' => 'null', 'name' => 'HADDAD, Noor'],
        'posten' => [['titel' => 'Pump', 'stk' => 1], ['titel' => 'Tow line', 'stk' => 2]], 'summe' => '119,40 GBP',
        'zurueck' => 'https://shop.osierquay.example/1', 'beruehrt' => '02.03.2026 11:00:00',
    ];

    public function testASignedDeliveryIsTakenAndCleaned(): void
    {
        $this->basket()->assertOk();
        $basket = Record::query()->where('external_id', 'K-1')->firstOrFail();

        self::assertEquals(
            [
                'what' => 'Pump, Tow line', 'pieces' => 3, 'value' => 119.4, 'state' => 'open', 'url' => 'https://shop.osierquay.example/1',
                'touched_at' => '2026-03-02T10:00:00Z', 'who' => $this->person('+447700900343')->id,
            ],
            $basket->values,
        );
        self::assertSame('Pump, Tow line', $basket->called());
    }

    public function testWhatIsNotSignedWellIsRefusedKeptAndNotUsed(): void
    {
        $body = (string) json_encode(self::BASKET);
        $this->post('/in/shop', [])->assertUnauthorized();
        $this->postBody('shop', $body, [
            'webhook-id' => 'm1',
            'webhook-timestamp' => (string) time(),
            'webhook-signature' => 'v1,AAAA v2 nonsense',
        ])->assertUnauthorized();
        $this->postBody('shop', $body, $this->signed($body, DatabaseSeeder::SHOP_SECRET, time() - 600))->assertUnauthorized();
        $this->postBody('shop', $body, ['Authorization' => 'Bearer '.DatabaseSeeder::SHOP_SECRET])->assertUnauthorized();
        $this->postBody('shop', $body.' ', $this->signed($body, DatabaseSeeder::SHOP_SECRET))->assertUnauthorized();

        self::assertSame(0, Record::query()->count());
        self::assertSame(
            ['intake.unsigned', 'intake.wrong_signature', 'intake.signed_long_ago', 'intake.unsigned', 'intake.wrong_signature'],
            array_column(Delivery::query()->orderBy('id')->get()->pluck('reason')->all(), 'code'),
        );
    }

    public function testTheSameMessageIsOneChangeAndAnotherOfTheSameWordsIsTakenAgain(): void
    {
        $body = (string) json_encode(self::BASKET);
        $this->postBody('shop', $body, $this->signed($body, DatabaseSeeder::SHOP_SECRET, id: 'm1'))->assertJson(['state' => 'taken']);
        $this->postBody('shop', $body, $this->signed($body, DatabaseSeeder::SHOP_SECRET, id: 'm1'))->assertJson(['state' => 'repeated']);
        $this->postBody('shop', $body, $this->signed($body, DatabaseSeeder::SHOP_SECRET, id: 'm2'))->assertJson([
            'state' => 'taken',
            'says' => 'Nothing in it was new.',
        ]);

        self::assertSame(1, Change::query()->whereNotNull('record_id')->count());
    }

    public function testLateNewsDoesNotUndoNewer(): void
    {
        $this->basket(['lfd' => 3, 'zustand' => 'BEZAHLT'])->assertOk();
        $this->basket(['lfd' => 2, 'zustand' => 'VERLASSEN'])->assertOk()->assertJson(['state' => 'late']);

        self::assertSame('paid', Record::query()->where('external_id', 'K-1')->firstOrFail()->values['state']);
    }

    public function testTheSecretMayStandInTheAddress(): void
    {
        $this->postBody(
            'phone/'.DatabaseSeeder::PHONE_SECRET,
            '{"ref":"A","why_unanswered":"x","cli":"+447700900301","ddi":"+447700900100","t0":1772445580000,"ring":{"ms":1}}',
        )->assertOk();
        $this->postBody('phone/wrong', '{}')->assertUnauthorized();
        $this->call(
            'POST', '/in/phone', server: ['PHP_AUTH_USER' => 'x', 'PHP_AUTH_PW' => DatabaseSeeder::PHONE_SECRET], content: '{"ref":"B"}',
        )->assertOk();
        $this->postBody('nowhere', '{}')->assertNotFound();
    }

    public function testASecretIsRotatedWithoutLoss(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->post('/sources/phone/secret')->assertSessionHas('secret');
        $new = (string) session('secret');
        $post = fn (string $secret): int => $this->postPhone(
            (string) json_encode(['ref' => uniqid(), 'why_unanswered' => null]),
            $secret,
        )->getStatusCode();

        self::assertSame([200, 200, 401], [$post($new), $post(DatabaseSeeder::PHONE_SECRET), $post('guess')]);
        $this->get('/sources/phone/settings')->assertSee($new);
        self::assertStringNotContainsString(
            $new,
            (string) $this->get('/sources/phone/settings')->assertOk()->assertSee('The old one is still good')->getContent(),
        );
        $this->travelToMoment('2026-03-03 10:01');
        self::assertSame([200, 401], [$post($new), $post(DatabaseSeeder::PHONE_SECRET)]);
        $this->post('/sources/phone/secret');
        $this->delete('/sources/phone/old-secret');
        self::assertSame(401, $post($new));
    }

    public function testWhatComesWhileASourceIsPausedWaitsAndIsTakenAfterwards(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->put('/sources/phone/power', ['power' => 'paused'])->assertRedirect();
        $this->missedCall(self::WEN)->assertStatus(202)->assertJson(['says' => 'It waits: the source is paused.']);
        self::assertSame(0, Record::query()->count());
        $this->put('/sources/phone/power', ['power' => 'on'])->assertRedirect();
        $this->takeIn();

        self::assertSame(1, Record::query()->count());
        self::assertSame(DeliveryState::Taken, Delivery::query()->firstOrFail()->state);
        self::assertSame(ActivationState::On, Source::query()->where('key', 'phone')->firstOrFail()->power);
    }

    public function testARefusedDeliveryFindsItsWayBackOnceItsMappingIsMended(): void
    {
        $this->missedCall(self::WEN, ['t0' => 'March 2nd'])->assertStatus(422);
        $this->missedCall(self::WEN, ['t0' => '2026-03-02 09:00'])->assertStatus(422);
        $delivery = Delivery::query()->orderByDesc('id')->firstOrFail();
        $this->actingAs($this->staff(Role::Administrator));
        $this->get("/sources/phone/deliveries/$delivery->id")->assertOk()->assertSee('which is no time counted from 1970');

        $change = fn (array $said) => $this->patch('/sources/phone/mapping', $said)->assertSessionHasNoErrors();
        $change(['part' => 'unclean', 'target' => 'fields.started_at', 'index' => '0']);
        $change(['part' => 'clean', 'target' => 'fields.started_at', 'do' => 'date', 'order' => 'ymd']);
        // Not in use yet: the trial shows it, what comes is read as before.
        $this->get("/sources/phone/deliveries/$delivery->id")->assertSee('It would add a call.')->assertSee('Mon 2 Mar 2026, 09:00');
        $this->missedCall(self::WEN, ['t0' => '2026-03-02 09:00'])->assertStatus(422);
        self::assertSame(0, Record::query()->count());
        $this->post('/sources/phone/mapping/publish')->assertRedirect();
        $this->post('/sources/phone/replays', ['which' => 'refused'])->assertRedirect();
        $this->takeIn();

        self::assertSame(
            ['refused', 'taken', 'taken'],
            Delivery::query()->orderBy('id')->get()->map(fn (Delivery $one): string => $one->state->value)->all(),
        );
        $this->post("/sources/phone/deliveries/$delivery->id/replay")->assertSessionHas(
            'done',
            'Taken again: taken. Nothing in it was new.',
        );
        self::assertSame(2, Record::query()->count());
        $this->post('/sources/phone/replays', ['which' => 'since', 'since' => '2026-03-03'])->assertSessionHas(
            'done',
            'There was nothing to take again.',
        );
        $this->post('/sources/phone/replays', ['which' => 'picked'])->assertSessionHasErrors('picked');
    }

    public function testAMistakeInAMappingStandsAtItsFieldAndChangesNothing(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->missedCall(self::WEN);
        $before = Source::query()->where('key', 'phone')->firstOrFail()->mapping;
        foreach (
            [
                [['into' => 'fields.why'], 'fields.why', 'First choose a value on the left'],
                [['part' => 'clean', 'target' => 'fields.why', 'do' => 'map', 'values' => ''], 'fields.why', 'Between 1 and 500'],
                [
                    ['part' => 'clean', 'target' => 'fields.why', 'do' => 'date', 'order' => 'dmy', 'zone' => 'Mars'],
                    'fields.why',
                    '“Mars” is no time zone',
                ],
                [['part' => 'zone', 'value' => 'Mars'], 'zone', '“Mars” is no time zone'],
                [['part' => 'test', 'at' => 'a..b', 'test' => 'exists'], 'test', 'cannot be a way to a value'],
                [['part' => 'everything'], 'part', 'cannot be changed here'],
            ] as [$said, $place, $says]
        ) {
            $this->patch('/sources/phone/mapping', $said)->assertSessionHasErrors($place);
            self::assertStringContainsString($says, (string) session('errors')?->first($place));
        }
        self::assertSame(
            [$before, null],
            [Source::query()->where('key', 'phone')->firstOrFail()->mapping, Source::query()->where('key', 'phone')->firstOrFail()->draft],
        );
    }

    public function testASenderThatFloodsIsToldWhenToComeAgain(): void
    {
        config(['linnet.deliveries.most_per_minute' => 2]);
        $statuses = array_map(fn (): int => $this->missedCall(self::WEN)->getStatusCode(), range(1, 3));
        self::assertSame([200, 200, 429], $statuses);
        self::assertNotNull($this->missedCall(self::WEN)->headers->get('Retry-After'));
    }

    public function testTheBytesAreKeptAsTheyCame(): void
    {
        foreach (["\xFF\xFE\0{", '{"a":"\u0000"}', "{\"ref\": \"\xC3\x28\"}"] as $body) {
            $this->postPhone($body);
            $kept = Delivery::query()->orderByDesc('id')->firstOrFail();
            self::assertSame($body, $kept->bytes());
            self::assertNotSame('', $kept->reason === null ? '' : Sentence::of($kept->reason));
        }
        $this->postBody('phone', 'a=1', ['Authorization' => 'Bearer '.DatabaseSeeder::PHONE_SECRET], 'application/xml')->assertStatus(415);
    }

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function basket(array $more = []): TestResponse
    {
        $body = (string) json_encode($more + self::BASKET);

        return $this->postBody('shop', $body, $this->signed($body, DatabaseSeeder::SHOP_SECRET));
    }

    /** @return array<string, string> */
    private function signed(string $body, string $secret, ?int $at = null, ?string $id = null): array
    {
        $at ??= time();
        $id ??= 'msg_'.hash('xxh64', $body);

        return [
            'webhook-id' => $id,
            'webhook-timestamp' => (string) $at,
            'webhook-signature' => (new Webhook($secret))->sign($id, $at, $body),
        ];
    }

    /**
     * @param  array<string, string>  $headers
     * @return TestResponse<Response>
     */
    private function postBody(string $path, string $body, array $headers = [], string $type = 'application/json'): TestResponse
    {
        $server = ['CONTENT_TYPE' => $type];
        foreach ($headers as $name => $value) {
            $server['HTTP_'.strtoupper(str_replace('-', '_', $name))] = $value;
        }

        return $this->call('POST', "/in/$path", server: $server, content: $body);
    }
}
