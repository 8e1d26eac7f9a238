<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Message;
use App\Models\Number;
use App\Models\Record;
use App\Sentences\Sentence;
use Tests\Feature\TestCase;

final class HostileDeliveriesTest extends TestCase
{
    public function testNothingThatIsSentBreaksAnythingAndNothingIsLost(): void
    {
        mt_srand(13);
        $sent = 600;
        $statuses = [];
        for ($i = 0; $i < $sent; $i++) {
            $statuses[$this->postPhone($this->hostile())->getStatusCode()] = true;
        }
        $this->work();

        self::assertSame([], array_diff(array_keys($statuses), [200, 422]));
        self::assertSame($sent, Delivery::query()->count());
        foreach (Delivery::query()->where('state', DeliveryState::Refused)->get() as $refused) {
            self::assertNotNull($refused->reason);
            self::assertNotSame('', Sentence::of($refused->reason));
        }
        self::assertGreaterThan(100, Delivery::query()->where('state', DeliveryState::Refused)->count());
        self::assertGreaterThan(20, Record::query()->count());
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

    private function hostile(): string
    {
        $values = [null, true, 0, -1, 1e308, '', ' ', [], ['a' => ['b' => []]], str_repeat('x', 3000), "\u{0}", "'; drop table people; --", '<script>', '{{ first_name }}', '+447700900301', 'WITHHELD', 1772445580000, '🛶', "\u{202E}abc", '00', '9999999999999999999999'];
        $pick = fn (): mixed => $values[mt_rand(0, count($values) - 1)];
        $body = (string) json_encode([
            'ref' => mt_rand(0, 2) > 0 ? 'R'.mt_rand() : $pick(), 'cli' => $pick(), 'ddi' => mt_rand(0, 2) > 0 ? '+447700900100' : $pick(),
            't0' => mt_rand(0, 2) > 0 ? 1772445580000 : $pick(), 'ring' => mt_rand(0, 2) > 0 ? ['ms' => 5] : $pick(), 'why_unanswered' => $pick(),
        ], JSON_PARTIAL_OUTPUT_ON_ERROR);

        return match (mt_rand(0, 9)) {
            0 => substr($body, 0, mt_rand(0, strlen($body))),
            1 => str_replace('"', "\xC3", $body),
            2 => str_repeat('[', mt_rand(1, 4000)),
            3 => mb_convert_encoding($body, 'UTF-16LE', 'UTF-8'),
            default => $body,
        };
    }
}
