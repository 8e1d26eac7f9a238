<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\Outbox;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Outage;
use App\Models\Role;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\Feature\TestCase;

/** A carrier that knows no keys: what it was offered and did not answer for may have gone, and is not offered again by itself. */
final class CutOffTest extends TestCase
{
    private int $status = 500;

    protected function setUp(): void
    {
        parent::setUp();
        config(['linnet.carriers.main.takes_keys' => false]);
        Http::swap(new Factory);
        Http::fake(['carrier.test/*' => function (Request $request) {
            self::assertFalse($request->hasHeader('Idempotency-Key'));
            $this->handedOver[] = $request->data();

            return Http::response(['ref' => 'C'.count($this->handedOver)], $this->status);
        }]);
        $this->missedCall(self::WEN);
        $this->work();
        $this->travel(2)->minutes();
        $this->work();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testWhoeverIsAskedMaySendItAgain(): void
    {
        $text = $this->textsTo(self::WEN)[0];
        self::assertSame([MessageState::CutOff, 1], [$text->state, count($this->handedOver)]);
        $this->travel(2)->hours();
        $this->work();
        self::assertCount(1, $this->handedOver);
        $this->get('/today')->assertSee('Nobody knows whether a text to Wen');

        $this->status = 202;
        $this->post("/messages/$text->id/ask-again")->assertRedirect();
        $this->work();
        self::assertSame([MessageState::Handed, 2], [$text->refresh()->state, count($this->handedOver)]);
        $this->get('/today')->assertDontSee('Nobody knows');
    }

    public function testOrSayThatItHasGone(): void
    {
        $text = $this->textsTo(self::WEN)[0];
        $this->status = 202;
        // What follows it waits until that is known.
        $this->travel(25)->hours();
        $this->work();
        self::assertCount(1, $this->handedOver);

        $this->post("/messages/$text->id/went")->assertRedirect();
        $this->work();
        self::assertSame(MessageState::Handed, $text->refresh()->state);
        self::assertCount(2, $this->handedOver);
    }

    public function testAReceiptIsKnownByTheCarriersOwnName(): void
    {
        $this->status = 202;
        $text = $this->textsTo(self::WEN)[0];
        // It did not answer, and is asked again after a while.
        $this->travel(10)->seconds();
        $this->post("/messages/$text->id/ask-again");
        $this->work();

        $this->withToken('carrier-secret')
            ->postJson('/in/carrier', ['kind' => 'receipt', 'ref' => 'C2', 'fate' => 'arrived', 'at' => '2026-03-02T10:30:00Z'])
            ->assertOk();
        self::assertSame(MessageState::Arrived, $text->refresh()->state);
    }

    /** A worker that died while it offered a text leaves a lease. */
    public function testWhatWasBeingOfferedWhenItsWorkerDiedIsLeftToo(): void
    {
        $this->status = 202;
        $text = $this->textsTo(self::WEN)[0];
        $text->update(['state' => MessageState::Ready, 'leased_by' => 'somebody', 'leased_until' => now()->addSeconds(30)]);
        Outage::query()->delete();
        self::assertSame(0, resolve(Outbox::class)->deliver());
        $this->travel(31)->seconds();
        resolve(Outbox::class)->deliver();

        self::assertSame([MessageState::CutOff, 1], [$text->refresh()->state, count($this->handedOver)]);
    }

    public function testALineWhoseCarrierNobodyDescribedWaitsAlone(): void
    {
        $this->status = 202;
        $this->travel(10)->seconds();
        DB::table('lines')->where('key', 'workshop')->update(['carrier' => 'elsewhere']);
        foreach (['workshop', 'front-desk'] as $i => $line) {
            Message::query()->create([
                'name' => "staff/$i", 'key' => "k$i", 'origin' => 'staff', 'state' => 'ready', 'person_id' => $this->person(self::WEN)->id,
                'line_id' => DB::table('lines')->where('key', $line)->value('id'), 'kind' => 'service', 'number' => self::WEN,
                'body' => "From the $line", 'wanted_at' => now(), 'left_at' => now(), 'at' => now(),
            ]);
        }
        $this->work();

        self::assertSame(['From the front-desk'], array_column(array_slice($this->handedOver, 1), 'text'));
        self::assertNotNull(Outage::of('elsewhere'));
        self::assertNull(Outage::of('main'));
    }
}
