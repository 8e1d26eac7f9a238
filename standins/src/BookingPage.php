<?php

declare(strict_types=1);

namespace Standins;

use Demo\MovableClock;
use Demo\People;
use Illuminate\Support\Facades\DB;

/**
 * A page where lessons with an instructor are booked, moved and cancelled. It tells of each as a CloudEvent in binary mode, with times
 * as an American would write them, by the quay's clock, and guests as a list.
 */
final readonly class BookingPage
{
    public const LESSONS = [
        'Beginners’ kayak lesson' => 45.0, 'Sculling taster' => 38.0, 'Moonlight paddle' => 29.5, 'Sea kayak, day course' => 110.0,
    ];

    public const INSTRUCTORS = ['Tom Reyes', 'Nia Sorrell'];

    public function __construct(private MovableClock $clock)
    {
    }

    /** @return list<\DateTimeImmutable> the next beginnings that can be booked, UTC */
    public function slots(): array
    {
        $day = $this->clock->now()->setTimezone(new \DateTimeZone('Europe/London'));
        $slots = [];
        for ($i = 1; $i <= 8; $i++) {
            foreach ([10, 14] as $hour) {
                $slots[] = $day->modify("+$i days")->setTime($hour, 0)->setTimezone(new \DateTimeZone('UTC'));
            }
        }

        return $slots;
    }

    /** @return list<object{id: int, what: string, with: string, from: \DateTimeImmutable, cancelled: bool}> */
    public function of(string $number): array
    {
        return array_values(
            DB::table('lessons')
                ->where('number', $number)
                ->orderByDesc('id')
                ->limit(20)
                ->get()
                ->map(
                    fn (object $row): object => (object) [
                        'id' => (int) $row->id, 'what' => (string) $row->what, 'with' => (string) $row->with,
                        'cancelled' => (bool) $row->cancelled,
                        'from' => new \DateTimeImmutable((string) $row->from, new \DateTimeZone('UTC')),
                    ],
                )
                ->all(),
        );
    }

    public function book(string $number, string $what, string $with, \DateTimeImmutable $from, int $guests, How $how): int
    {
        $id = DB::table('lessons')->insertGetId([
            'number' => $number, 'what' => $what, 'with' => $with, 'from' => $from->format('Y-m-d H:i:s'), 'guests' => $guests,
        ]);
        $this->tell($id, 'booked', $how);

        return $id;
    }

    public function move(int $id, \DateTimeImmutable $from, How $how): void
    {
        DB::table('lessons')->where('id', $id)->update(['from' => $from->format('Y-m-d H:i:s')]);
        $this->tell($id, 'moved', $how);
    }

    public function cancel(int $id, How $how): void
    {
        DB::table('lessons')->where('id', $id)->update(['cancelled' => true]);
        $this->tell($id, 'cancelled', $how);
    }

    private function tell(int $id, string $what, How $how): void
    {
        DB::table('lessons')->where('id', $id)->increment('changes');
        $row = DB::table('lessons')->where('id', $id)->first() ?? throw new \LogicException('just written');
        $quay = new \DateTimeZone('Europe/London');
        $from = (new \DateTimeImmutable((string) $row->from, new \DateTimeZone('UTC')))->setTimezone($quay);
        $person = People::of($row->number) ?? [];
        $name = trim(($person['first_name'] ?? '').' '.($person['last_name'] ?? ''));
        $guests = [['full' => $name === '' ? 'Guest' : $name, 'phone' => (string) $row->number, 'email' => $person['email'] ?? null]];
        for ($i = 1; $i < $row->guests; $i++) {
            $guests[] = ['full' => "{$name}’s guest"];
        }
        $body = json_encode(
            [
                'rev' => (int) $row->changes, 'what' => $row->what, 'with' => $row->with, 'guest' => $guests,
                'price' => number_format(self::LESSONS[$row->what] * $row->guests, 2),
                'slot' => ['from' => $from->format('m/d/Y g:i A'), 'to' => $from->modify('+2 hours')->format('m/d/Y g:i A')],
            ],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
        Courier::send(
            '/in/bookings',
            config()->string('standins.bookings_secret'),
            $body,
            headers: [
                'content-type' => 'application/json; charset=utf-8', 'ce-specversion' => '1.0', 'ce-type' => "quay.lesson.$what",
                'ce-source' => '/booking-page', 'ce-id' => sprintf('L%06d-%d', $id, $row->changes), 'ce-subject' => sprintf('L%06d', $id),
                'ce-time' => $this->clock->now()->format('Y-m-d\TH:i:s\Z'),
            ],
            how: $how,
        );
    }
}
