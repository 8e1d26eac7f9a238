<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Models\Message;
use App\Models\MessageState;
use App\Models\Outage;
use App\Models\Role;
use App\Models\Run;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\Feature\TestCase;
use Tests\Support\Databases;

/** A carrier that does not answer is one trouble: texts wait, each goes once, and nothing is sent as if they had left. */
final class OutageTest extends TestCase
{
    private const CALLERS = [self::WEN, '+447700900308', '+447700900315'];

    private bool $silent = true;

    /** @var list<string> keys offered */
    private array $offered = [];

    protected function setUp(): void
    {
        parent::setUp();
        Http::swap(new Factory);
        Http::preventStrayRequests();
        Http::fake(['carrier.test/*' => function (Request $request) {
            $this->offered[] = $request->header('Idempotency-Key')[0];
            if ($this->silent) {
                return Http::response(['problem' => 'busy'], 503);
            }
            $this->handedOver[] = [...$request->data(), 'key' => $request->header('Idempotency-Key')[0]];

            return Http::response(['ref' => 'C'.count($this->handedOver)], 202);
        }]);
        foreach (self::CALLERS as $caller) {
            $this->missedCall($caller);
        }
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
    }

    public function testTextsWaitAndGoOnceEachWhenTheCarrierIsBack(): void
    {
        $this->pass('2026-03-02 11:02');

        self::assertSame(3, Message::query()->where('state', MessageState::Ready)->count());
        // Asked with growing pauses, and one text at a time.
        self::assertLessThan(90, count($this->offered));
        $this->actingAs($this->staff(Role::Administrator))
            ->get('/today')
            ->assertSee('The carrier has not answered since 10:02')
            ->assertSee('Three texts wait')
            ->assertSee('No texts', false)
            ->assertDontSee('Three texts</a> have gone out', false);
        $this->get('/lines')->assertSee('The carrier has not answered since 10:02');

        $this->silent = false;
        $this->pass('2026-03-02 11:05');
        self::assertEqualsCanonicalizing(self::CALLERS, array_column($this->handedOver, 'to'));
        self::assertCount(3, array_unique(array_column($this->handedOver, 'key')));
        self::assertNull(Outage::of('main'));
        $this->get('/today')->assertDontSee('has not answered since');
    }

    public function testWhatFollowsATextThatNeverLeftIsNotSentAsIfItHad(): void
    {
        $this->pass('2026-03-03 10:03', 600);

        self::assertSame(3, Message::query()->where('state', MessageState::Failed)->count());
        self::assertSame(3, Run::query()->where('outcome', 'never_left')->count());
        self::assertSame(0, (int) DB::table('spent_days')->sum('micros'));
        $this->silent = false;
        $this->pass('2026-03-03 14:00', 600);
        self::assertSame([], $this->handedOver);
        $this->actingAs($this->staff(Role::Administrator))
            ->get('/today')
            ->assertSee('Given up: for 24 hours the carrier did not take it')
            ->assertSee('Three texts failed');

        // A failed text can be asked again, under the same key: the carrier may have had it after all.
        $text = $this->textsTo(self::WEN)[0];
        $this->post(route('messages.ask-again', $text))->assertRedirect()->assertSessionHas('done', 'It is on its way.');
        $this->work();
        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
        self::assertSame($text->key, $this->handedOver[0]['key']);
        self::assertSame($text->price_micros, (int) DB::table('spent_days')->sum('micros'));
    }

    public function testANewTextIsNeverTakenForAnOldOneAfterABackupIsRestored(): void
    {
        $this->silent = false;
        $old = Message::query()->orderBy('id')->get();
        $this->pass('2026-03-02 10:04');
        // Back to before the texts were made: the next have the same ids and names, and are others.
        DB::table('conversations')->update(['last_message_id' => null]);
        Databases::empty('traces', 'receipts', 'links', 'messages', 'message_counts', 'country_counts', 'runs');
        foreach (self::CALLERS as $caller) {
            $this->missedCall($caller);
        }
        $this->pass('2026-03-02 10:10');

        $new = Message::query()->orderBy('id')->get();
        self::assertSame($old->pluck('name')->all(), $new->pluck('name')->all());
        self::assertCount(6, array_unique(array_column($this->handedOver, 'key')));
    }

    public function testAFollowUpWaitsForTheTextBeforeIt(): void
    {
        $this->pass('2026-03-03 09:50', 600);
        self::assertSame(3, Message::query()->count());
        $this->silent = false;
        $this->pass('2026-03-03 10:10', 60);

        // A day from when it passed the gate, and never before the first has left.
        self::assertCount(6, $this->handedOver);
        self::assertSame(6, Message::query()->where('state', MessageState::Handed)->count());
    }

    public function testATextInTheOutboxIsNotSentToOneWhoHasAnsweredMeanwhile(): void
    {
        $this->pass('2026-03-02 10:20');
        $this->textFrom(self::WEN, 'I found it on your page');
        $this->work();
        $this->silent = false;
        $this->pass('2026-03-02 10:25');

        self::assertNotContains(self::WEN, array_column($this->handedOver, 'to'));
        self::assertCount(2, $this->handedOver);
    }

    private function pass(string $until, int $step = 5): void
    {
        $until = new \DateTimeImmutable($until, new \DateTimeZone('Europe/London'));
        while (now() < $until) {
            $this->travel($step)->seconds();
            $this->work();
        }
    }
}
