<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Intake\Imports;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Record;
use App\Models\RecordType;
use Tests\Feature\TownTestCase;

/** The shop and the booking page as they run in earnest, told to misbehave; and a file whose taking in is killed again and again. */
final class AwkwardTownTest extends TownTestCase
{
    private const NOOR = '+447700900343';

    public function testWhateverTheShopDoesOneBasketStandsAsItWasLeftAtLast(): void
    {
        foreach (
            [
                'PUMP' => 'as_usual', 'TOW' => 'twice', 'BAG-20' => 'broken', 'PAD-210' => 'out_of_order', 'GLOVE-M' => 'as_usual',
            ] as $good => $how
        ) {
            $this->town->standins->act('/shop-acts/'.self::NOOR, ['act' => $good, 'how' => $how]);
            $this->town->settle();
        }
        $basket = $this->of('basket');
        self::assertSame(
            ['Bilge pump, Tow line, Dry bag, 20 l, Touring paddle, Neoprene gloves', 5, 'open'],
            [$basket->values['what'], $basket->values['pieces'], $basket->values['state']],
        );
        self::assertSame(
            [
                DeliveryState::Taken->value => 3, DeliveryState::Repeated->value => 1, DeliveryState::Refused->value => 1,
                DeliveryState::Late->value => 1,
            ],
            Delivery::query()
                ->orderBy('id')
                ->get()
                ->countBy(fn (Delivery $one): string => $one->state->value)
                ->sortKeysUsing(
                    fn (string $a, string $b): int => array_search($a, ['taken', 'repeated', 'refused', 'late'], true) <=>
                        array_search($b, ['taken', 'repeated', 'refused', 'late'], true),
                )
                ->all(),
        );

        $this->town->standins->act('/shop-acts/'.self::NOOR, ['act' => 'pay', 'how' => 'twice']);
        $this->town->settle();
        self::assertSame('paid', $this->of('basket')->values['state']);
        $order = $this->of('order');
        self::assertSame([$basket->id, 201.55, $basket->person_id], [$order->values['basket'], $order->values['value'], $order->person_id]);
        self::assertSame(1, Change::query()->where('record_id', $order->id)->count());
    }

    public function testALessonIsBookedMovedAndCancelledAndEachIsOneChange(): void
    {
        $lesson =
            (int) ($this->town->standins->act('/lessons/'.self::NOOR, [
                'what' => 'Sculling taster', 'with' => 'Nia Sorrell', 'from' => '2026-03-28T10:00:00Z', 'guests' => 3, 'how' => 'twice',
            ])['lesson'] ?? 0);
        $this->town->settle();
        $booking = $this->of('booking');
        self::assertSame(
            ['2026-03-28T10:00:00Z', '2026-03-28T12:00:00Z', 3, 114, 'booked'],
            array_map(fn (string $key): mixed => $booking->values[$key], ['starts_at', 'ends_at', 'places', 'price', 'state']),
        );
        self::assertSame(1, Change::query()->where('record_id', $booking->id)->count());
        self::assertGreaterThan(0, $lesson);
    }

    public function testAFileIsTakenInOnceHoweverOftenItIsKilled(): void
    {
        $csv = "Ref;Mobile;Lesson;Starts\n";
        for ($i = 0; $i < 2000; $i++) {
            $csv .= sprintf("K%d;0791%07d;Sculling taster;14/03/2026 10:00\n", $i, $i);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'linnet');
        file_put_contents($path, $csv);
        $import = resolve(Imports::class)->open($path, 'lessons.csv', null, null);
        unlink($path);
        $import->update([
            'mapping' => [
                'type' => 'booking', 'country' => 'GB', 'zone' => 'Europe/London', 'external_id' => ['at' => 'Ref'],
                'person' => ['number' => ['at' => 'Mobile']],
                'fields' => [
                    'lesson' => ['at' => 'Lesson'],
                    'starts_at' => ['at' => 'Starts', 'clean' => [['do' => 'date', 'order' => 'dmy']]],
                ],
            ],
        ]);
        resolve(Imports::class)->start($import, true);
        $kills = 0;
        mt_srand(11);
        for ($tries = 0; $tries < 40 && $import->refresh()->state === ImportState::Running; $tries++) {
            $worker = $this->town->worker(['--until-idle'], 'linnet:ingest');
            $worker->disableOutput()->start();
            $done = $import->done;
            // Until it has begun to work, then a moment more.
            for ($i = 0; $i < 500 && $worker->isRunning() && Import::query()->whereKey($import->id)->value('done') === $done; $i++) {
                usleep(10_000);
            }
            usleep(mt_rand(0, 80_000));
            if ($worker->isRunning()) {
                $worker->stop(0, SIGKILL);
                $kills++;
            }
        }
        @unlink($import->table());

        self::assertGreaterThan(2, $kills);
        self::assertSame([ImportState::Done, 2000, 2000, 0], [$import->refresh()->state, $import->done, $import->added, $import->refused]);
        self::assertSame(
            [2000, 2000],
            [
                Record::query()->whereLike('external_id', 'K%')->count(),
                Change::query()->where('import_id', $import->id)->where('kind', ChangeKind::RecordAdded)->count(),
            ],
        );
    }

    private function of(string $type): Record
    {
        return Record::query()->where('record_type_id', RecordType::query()->where('key', $type)->firstOrFail()->id)->sole();
    }
}
