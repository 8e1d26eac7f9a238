<?php

declare(strict_types=1);

namespace Tests\Feature\Carrier;

use App\Models\Message;
use App\Models\MessageState;
use App\Models\Number;
use App\Models\Receipt;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

final class ReceiptsTest extends TestCase
{
    /**
     * @param  list<array{string, string}>  $receipts  fate and the carrier's time, in the order they come in
     */
    #[DataProvider('orders')]
    public function testTheFateIsWhatTheCarrierSaidLast(array $receipts, MessageState $expected, int $kept): void
    {
        $this->textFrom(self::WEN, 'HELP');
        $this->work();
        foreach ($receipts as [$fate, $at]) {
            $this->receipt($fate, $at)->assertOk();
        }

        self::assertSame([$expected, $kept], [Message::query()->where('origin', 'words')->firstOrFail()->state, Receipt::query()->count()]);
    }

    /** @return iterable<string, array{list<array{string, string}>, MessageState, int}> */
    public static function orders(): iterable
    {
        yield 'arrived' => [[['arrived', '10:00:02']], MessageState::Arrived, 1];
        yield 'failed' => [[['failed', '10:00:02']], MessageState::Failed, 1];
        yield 'twice' => [[['arrived', '10:00:02'], ['arrived', '10:00:02']], MessageState::Arrived, 1];
        yield 'on its way, told late' => [[['arrived', '10:00:02'], ['on_its_way', '10:00:01']], MessageState::Arrived, 2];
        yield 'failed first, arrived after all' => [[['failed', '10:00:02'], ['arrived', '10:00:05']], MessageState::Arrived, 2];
        yield 'the same, told the wrong way round' => [[['arrived', '10:00:05'], ['failed', '10:00:02']], MessageState::Arrived, 2];
        yield 'a word nobody knows' => [[['lost_at_sea', '10:00:02']], MessageState::Handed, 1];
    }

    public function testAReceiptThatOvertakesTheAnswerIsNotUndoneByIt(): void
    {
        $this->textFrom(self::WEN, 'HELP');
        $this->receipt('arrived', '10:00:02')->assertOk();
        $this->work();

        self::assertSame(MessageState::Arrived, Message::query()->where('origin', 'words')->firstOrFail()->state);
        self::assertSame([], $this->handedOver);
    }

    public function testANumberSaidToBeNobodysHasSomebodyOnceATextArrives(): void
    {
        $this->textFrom(self::WEN, 'HELP');
        $this->work();
        $alive = fn (): ?bool => Number::query()->where('e164', self::WEN)->firstOrFail()->alive;

        $this->receipt('failed', '10:00:02', ['code' => 'no_such_number'])->assertOk();
        self::assertFalse($alive());
        $this->receipt('arrived', '10:00:05')->assertOk();
        self::assertTrue($alive());
    }

    public function testHelpIsAnsweredOnceADayWhateverElseWas(): void
    {
        foreach (['STOP', 'START', 'HELP', 'HELP'] as $word) {
            $this->textFrom(self::WEN, $word);
            $this->work();
        }
        $this->travelToMoment('2026-03-03 10:01');
        $this->textFrom(self::WEN, 'HELP');
        $this->work();

        self::assertSame(
            ['you will get', 'welcome back', 'Call us on', 'Call us on'],
            array_map(
                fn (array $text): string => preg_match('/you will get|welcome back|Call us on/', $text['text'], $found) === 1
                    ? $found[0]
                    : $text['text'],
                $this->handedOver,
            ),
        );
    }

    public function testATextThatComesInTwiceIsKeptOnce(): void
    {
        $this->textFrom(self::WEN, 'Hello?', 'H1')->assertOk();
        $this->textFrom(self::WEN, 'Hello?', 'H1')->assertOk();

        self::assertSame(1, Message::query()->where('origin', 'them')->count());
    }

    public function testWhatIsNotForUsIsRefused(): void
    {
        $this->withToken('another')->postJson('/in/carrier', ['kind' => 'receipt'])->assertUnauthorized();
        $this->fromCarrier(['kind' => 'weather'])->assertStatus(422);
        $this->fromCarrier(['kind' => 'text', 'ref' => 'H1', 'from' => self::WEN, 'to' => '+447700900999', 'text' => 'Hi'])->assertStatus(
            422,
        );
        $this->fromCarrier(['kind' => 'text', 'ref' => 'H1', 'from' => 'nobody', 'to' => self::FRONT_DESK, 'text' => 'Hi'])->assertStatus(
            422,
        );
        $this->fromCarrier([
            'kind' => 'receipt', 'ref' => 'C1', 'key' => 'elsewhere:1', 'fate' => 'arrived', 'at' => '2026-03-02T10:00:00Z',
        ])->assertStatus(422);

        self::assertSame(0, Message::query()->count());
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<Response>
     */
    private function receipt(string $fate, string $time, array $with = []): TestResponse
    {
        $message = Message::query()->where('origin', 'words')->firstOrFail();

        return $this->fromCarrier([
            'kind' => 'receipt', 'ref' => 'C1', 'key' => (string) $message->key, 'fate' => $fate, 'at' => "2026-03-02T{$time}Z",
        ] + $with);
    }
}
