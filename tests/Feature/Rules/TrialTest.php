<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Conversation;
use App\Models\Message;
use App\Models\Rule;
use App\Models\Trial;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** A rule tried on one's own phone. */
final class TrialTest extends FrontDeskTestCase
{
    private const MINE = '+447700900777';

    protected function setUp(): void
    {
        parent::setUp();
        $this->missedByWen();
    }

    public function testANumberIsOnesOwnOnceItsCodeHasComeBack(): void
    {
        $this->post(route('rules.trial.begin', $this->rule))->assertSessionHasErrors(['trial' => 'Confirm your own number first.']);
        $this->own('my phone')->assertSessionHasErrors('number');
        $code = $this->askForCode();
        $this->confirm('000000')->assertSessionHasErrors('code');
        $this->travelToMoment('2026-03-02 10:20');
        $this->confirm($code)->assertSessionHasErrors('code');
        $code = $this->askForCode();
        foreach (range(1, 5) as $try) {
            $this->confirm((string) (100_000 + $try))->assertSessionHasErrors('code');
        }
        $this->confirm($code)->assertSessionHasErrors('code');
        $this->confirm($this->askForCode())->assertSessionHasNoErrors();

        self::assertSame(self::MINE, $this->staff->refresh()->number);
        self::assertNotNull($this->staff->number_confirmed_at);
    }

    public function testTextsComeOneByOneOrTogetherMarkedAndCountedNowhere(): void
    {
        $this->confirm($this->askForCode());
        $before = [
            Message::query()->count(), DB::table('spent_days')->sum('micros'), DB::table('timers')->count(), DB::table('traces')->count(),
        ];
        $this->post(route('rules.trial.begin', $this->rule))->assertSessionHasNoErrors();
        $this->send('next')->assertSessionHasNoErrors();
        $texts = fn (): array => array_column(
            array_filter(
                $this->handedOver,
                fn (array $text): bool => $text['to'] === self::MINE && str_starts_with($text['text'], 'Trial: '),
            ),
            'text',
        );
        self::assertCount(1, $texts());
        self::assertStringStartsWith('Trial: Osier Quay Boathouse: Hello Wen', $texts()[0]);
        $this->get(route('rules.trial', $this->rule))->assertOk()->assertSee('handed over')->assertSee('Send the next');
        $this->send('all')->assertSessionHasNoErrors();
        self::assertCount(2, $texts());
        $this->get(route('rules.trial', $this->rule))->assertSee('Nothing more would leave');
        $this->send('end');
        $this->send('next')->assertSessionHasErrors('trial');

        self::assertSame($before, [
            Message::query()->count(), DB::table('spent_days')->sum('micros'), DB::table('timers')->count(), DB::table('traces')->count(),
        ]);
    }

    public function testAButtonThatIsPressedTwiceSendsOnce(): void
    {
        $this->confirm($this->askForCode());
        $this->post(route('rules.trial.begin', $this->rule));
        foreach (['next', 'next', 'all'] as $what) {
            $this->send($what, 0)->assertSessionHasNoErrors();
        }

        self::assertCount(1, array_filter($this->handedOver, fn (array $text): bool => str_starts_with($text['text'], 'Trial: ')));
    }

    public function testWhereNothingWouldLeaveItSaysWhy(): void
    {
        $this->confirm($this->askForCode());
        $this->textFrom(self::WEN, 'STOP');
        $this->post(route('rules.trial.begin', $this->rule));

        $this->get(route('rules.trial', $this->rule))->assertOk()->assertSee('Nothing more would leave')->assertSee('Wen said stop.');
    }

    public function testWhatIsAnsweredGoesIntoTheTrialAndNowhereElse(): void
    {
        $this->confirm($this->askForCode());
        $this->post(route('rules.trial.begin', $this->rule));
        $this->send('next');
        $this->textFrom(self::MINE, 'I am on my way');

        // The rule stops as soon as they reply.
        $this->get(route('rules.trial', $this->rule))->assertSee('I am on my way')->assertSee('Nothing more would leave');
        self::assertFalse(Conversation::query()->whereHas('person.number', fn ($number) => $number->where('e164', self::MINE))->exists());
        $this->send('end');
        $this->textFrom(self::MINE, 'Hello?');
        self::assertTrue(Conversation::query()->whereHas('person.number', fn ($number) => $number->where('e164', self::MINE))->exists());
    }

    public function testTheTextsOfATrialAreErasedWithWhoTheyAreAbout(): void
    {
        $this->confirm($this->askForCode());
        $this->post(route('rules.trial.begin', $this->rule));
        $this->send('next');
        $this->delete('/people/'.$this->person(self::WEN)->id)->assertRedirect('/people');

        self::assertSame([0, 0], [DB::table('trials')->count(), DB::table('trial_texts')->count()]);
        $this->get(route('rules.trial', $this->rule))->assertOk();
    }

    public function testAStopIsObeyedInATrialToo(): void
    {
        $this->confirm($this->askForCode());
        $this->post(route('rules.trial.begin', $this->rule));
        $this->send('next');
        $this->textFrom(self::MINE, 'STOP');

        $this->send('next')->assertSessionHasErrors('trial');
        $this->own(self::MINE)->assertSessionHasErrors('number');
        self::assertSame('withdrawn', DB::table('consents')->where('number', self::MINE)->value('act'));
        $this->get(route('rules.trial', $this->rule))->assertSee('Nothing more would leave');
    }

    public function testWhatTheCarrierDidNotTakeIsTriedAgainUnderItsKey(): void
    {
        $this->confirm($this->askForCode());
        $this->post(route('rules.trial.begin', $this->rule));
        Http::swap(new Factory);
        $status = 503;
        Http::fake(['carrier.test/*' => function () use (&$status) {
            return Http::response(['ref' => 'C1'], $status);
        }]);
        $this->send('next')->assertSessionHasErrors(['trial' => 'The carrier did not take it: HTTP 503.']);
        $keys = fn (): array => Trial::query()->firstOrFail()->texts()->pluck('key')->all();
        $kept = $keys();
        $status = 202;
        $this->send('again')->assertSessionHasNoErrors();

        self::assertSame($kept, $keys());
        $this->fromCarrier([
            'kind' => 'receipt', 'ref' => 'C1', 'key' => (string) $kept[0], 'fate' => 'arrived', 'at' => '2026-03-02T10:00:00Z',
        ])->assertOk();
        $this->get(route('rules.trial', $this->rule))->assertSee('arrived');
    }

    /** @return TestResponse<Response> */
    private function own(string $number): TestResponse
    {
        return $this->post(route('rules.trial.number', $this->rule), ['number' => $number]);
    }

    /** @return TestResponse<Response> */
    private function confirm(string $code): TestResponse
    {
        return $this->post(route('rules.trial.number', $this->rule), ['code' => $code]);
    }

    /** @return TestResponse<Response> */
    private function send(string $what, ?int $sent = null): TestResponse
    {
        return $this->post(route('rules.trial.send', $this->rule), [
            'what' => $what,
            'sent' => $sent ?? (Trial::query()->orderByDesc('id')->first()?->sent() ?? 0),
        ]);
    }

    private function askForCode(): string
    {
        $this->own(self::MINE)->assertSessionHasNoErrors();
        preg_match('/\d{6}/', (string) (array_slice($this->handedOver, -1)[0]['text'] ?? ''), $code);

        return $code[0] ?? '';
    }
}
