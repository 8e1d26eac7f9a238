<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Audiences\AudienceQuery;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Intake\RecordWriter;
use App\Models\Audience;
use App\Models\Business;
use App\Models\Person;
use Database\Seeders\OldRecordsSeeder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Audience as Core;
use Psr\Clock\ClockInterface;
use Tests\Feature\TestCase;
use Tests\Support\BoathouseNames;
use Tests\Support\RandomRules;

final class AudienceTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
        $this->dress();
        Audience::query()->insert([
            ['name' => 'Regulars', 'folded' => 'regulars', 'of' => 'person', 'condition' => '{"tag":"member"}', 'at' => now()],
            [
                'name' => 'Soon', 'folded' => 'soon', 'of' => 'booking', 'at' => now(),
                'condition' => '{"field":"booking.starts_at","test":"within_next","value":5}',
            ],
        ]);
    }

    /** Whatever the database is asked, it lets through those, and just those, whom the engine does. */
    public function testTheDatabaseSaysWhoBelongsAsTheEngineDoes(): void
    {
        $unit = $this->unit();
        $names = new BoathouseNames($unit->reader->types(), ['basket-left'], $unit->now->modify('-9 days'));
        $exact = $some = 0;
        for ($seed = 1; $seed <= 600; $seed++) {
            mt_srand($seed);
            $of = ['person', 'booking', 'deal', 'invoice', 'person', 'job'][$seed % 6];
            $document = ['of' => $of, 'condition' => RandomRules::condition($names, $of)];
            try {
                $audience = Core::read(Doc::of($document));
            } catch (Unreadable) {
                continue;
            }
            $query = new AudienceQuery($unit, $audience);
            $all = (new AudienceQuery($unit, new Core($of, Core::read(Doc::of(['of' => $of]))->condition)))->after(0, 5000);
            $belong = $query->among($all);
            self::assertSame($belong, $query->after(0, 5000), "seed $seed: ".json_encode($document));
            self::assertSame(count($belong), $query->counts()[0]);
            $exact += (int) $query->isExact;
            $some += (int) ($belong !== [] && $belong !== $all && $query->isExact);
        }
        self::assertGreaterThan(200, $exact, 'of the conditions the database was asked');
        self::assertGreaterThan(60, $some, 'of those it let some through, not all');
    }

    /** What the seeder leaves alone: labels, consent, numbers of every kind. */
    private function dress(): void
    {
        foreach (Person::query()->with('number')->orderBy('id')->get() as $i => $person) {
            $at = now();
            $labels = ['tag' => $i % 3 === 0 ? 'member' : null, 'list' => $i % 4 === 1 ? 'Newsletter' : null];
            foreach (array_filter($labels) as $kind => $name) {
                DB::table('labels')->insert([
                    'person_id' => $person->id, 'kind' => $kind, 'name' => $name, 'folded' => mb_strtolower($name),
                ]);
            }
            $number = $person->number;
            if ($number !== null) {
                $number->update(['alive' => [null, true, false][$i % 3], 'kind' => ['mobile', 'landline', 'unknown', 'either'][$i % 4]]);
                $said = [['marketing', 'granted', $i % 2], ['all', 'withdrawn', $i % 5], ['all', 'granted', $i % 10]];
                foreach ($said as [$scope, $act, $not]) {
                    $not === 0 && DB::table('consents')->insert([
                        'person_id' => $person->id, 'number' => $number->e164, 'scope' => $scope, 'act' => $act, 'how' => 'staff',
                        'at' => $at,
                    ]);
                }
            }
        }
    }

    private function unit(): UnitOfWork
    {
        return UnitOfWork::reading(resolve(ClockInterface::class)->now(), resolve(DatabaseSideEffects::class), Business::ours());
    }
}
