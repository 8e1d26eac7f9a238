<?php

declare(strict_types=1);

namespace Tests\Demo;

use App\Models\Business;
use App\Models\Consent;
use App\Models\Message;
use App\Models\MessageOrigin;
use Demo\HandClock;
use Demo\People;
use Demo\Season\Answers;
use Demo\Season\Event;
use Demo\Season\Season;
use Demo\SeasonSimulation;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Number\Numbers;
use Tests\Feature\TestCase;

final class SeasonTest extends TestCase
{
    public function testASeasonLivedThroughIsFullOfThingsThatAreTrue(): void
    {
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules')]]);
        $season = new Season(90, 20);
        $told = [];
        (new SeasonSimulation(new HandClock($season->begins()), $season, function (array $texts) use (&$told): void {
            array_push($told, ...$texts);
        }))->live(Season::guests(90), fn () => null);

        $left = Message::query()->where('origin', MessageOrigin::Rule)->whereNotNull('left_at');
        self::assertGreaterThan(60, $left->count());
        self::assertSame(
            Message::query()->whereNotNull('handed_at')->count(),
            count(array_filter($told, fn (array $text): bool => $text['key'] !== null)),
        );
        self::assertSame(0, DB::table('traces')->where('code', 'engine.put_aside')->count());
        // What the season says happened is what stands in the records.
        $last = [];
        foreach ($season->events() as $event) {
            $last[$event->id] = [...$last[$event->id] ?? [], ...$event->fields];
        }
        self::assertSame(count($last), DB::table('records')->count());
        $hours = Business::ours()->gatePolicy()->serviceHours;
        foreach ($left->with('person.numbers')->get() as $text) {
            foreach ($text->person->numbers->firstWhere('e164', $text->number)->zones ?? [] as $zone) {
                self::assertTrue(
                    $hours->isOpen($text->left_at?->toDateTimeImmutable() ?? now()->toDateTimeImmutable(), new \DateTimeZone($zone)),
                    "$text->id left at an hour that is not decent in $zone",
                );
            }
            $stopped = Consent::query()->where('number', $text->number)->where('scope', 'all')->where('act', 'withdrawn')->first();
            self::assertTrue($stopped === null || $text->left_at <= $stopped->at);
        }
    }

    public function testTheSameSeasonComesEveryTimeInTheOrderOfTime(): void
    {
        $tell = fn (Event $event): string => $event->at->format('c')." $event->type $event->id $event->number ".json_encode($event->fields);
        $one = array_map($tell, iterator_to_array((new Season(400))->events(), false));
        $moments = array_map(fn (string $told): int => (new \DateTimeImmutable(strtok($told, ' ') ?: ''))->getTimestamp(), $one);
        $sorted = $moments;
        sort($sorted);

        self::assertSame($one, array_map($tell, iterator_to_array((new Season(400))->events(), false)));
        self::assertSame($sorted, $moments);
        self::assertGreaterThan(3000, count($one));
        self::assertSame(
            Answers::to('Still coming? Answer YES or CANCEL.', self::WEN),
            Answers::to('Still coming? Answer YES or CANCEL.', self::WEN),
        );
    }

    public function testEverybodyHasANumberOfTheirOwnThatIsKeptForFiction(): void
    {
        $numbers = array_column(People::town(400), 'number');

        self::assertCount(400, array_unique($numbers));
        foreach ($numbers as $number) {
            self::assertMatchesRegularExpression(
                '/^\+(447700900\d{3}|442079460\d{3}|1\d{3}55501\d\d|61491(570006|57015[6-9]|570110|570313|570737|571266|571491)|3363998\d{4}|35320910\d{4}|441632960\d{3})$/',
                $number,
            );
            self::assertSame($number, Numbers::read($number, 'GB')->e164);
        }
        self::assertCount(3000, array_unique(array_column(People::town(3000), 'number')));
    }
}
