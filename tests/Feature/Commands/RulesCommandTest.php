<?php

declare(strict_types=1);

namespace Tests\Feature\Commands;

use App\Models\Rule;
use App\Models\Timer;
use Illuminate\Support\Facades\Artisan;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule as Core;
use Tests\Feature\TestCase;

final class RulesCommandTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/linnet-rules-'.getmypid();
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        is_dir($this->folder) && rmdir($this->folder);
        parent::tearDown();
    }

    public function testEveryRuleOfTheBoathouseGoesInAndComesOutTheSame(): void
    {
        self::assertSame(0, $this->rules('import', [base_path('demo/rules')]));
        self::assertSame(0, $this->rules('export', [$this->folder]));

        $files = glob(base_path('demo/rules/*.json')) ?: [];
        self::assertGreaterThanOrEqual(25, count($files));
        foreach ($files as $file) {
            self::assertSame(
                trim(Core::fromJson((string) file_get_contents($file))->toJson()),
                trim((string) file_get_contents("$this->folder/".basename($file))),
                basename($file),
            );
        }
        self::assertSame(ActivationState::Paused, Rule::query()->where('key', 'birthday')->firstOrFail()->power);
        // In again, nothing is published anew.
        $this->rules('import', [base_path('demo/rules')]);
        self::assertSame(1, Rule::query()->where('key', 'birthday')->firstOrFail()->versions()->count());
    }

    public function testWhatIsWrongIsSaidWithItsPlaceAndNothingIsTakenIn(): void
    {
        mkdir($this->folder);
        $good = json_decode((string) file_get_contents(base_path('demo/rules/birthday.json')), true);
        file_put_contents("$this->folder/good.json", json_encode(['key' => 'good'] + $good));
        file_put_contents("$this->folder/wrong.json", json_encode(['key' => 'wrong', 'colour' => 'red'] + $good));
        file_put_contents("$this->folder/zbroken.json", '{');
        $before = Rule::query()->count();

        self::assertSame(1, $this->rules('import', [$this->folder]));

        self::assertStringContainsString('wrong.json, at $.colour: ', Artisan::output());
        self::assertSame($before, Rule::query()->count());
        self::assertSame(1, $this->rules('check', ["$this->folder/zbroken.json"]));
        self::assertSame(0, $this->rules('check', ["$this->folder/good.json"]));
        self::assertSame(1, $this->rules('check', ["$this->folder/nowhere.json"]));
        self::assertSame(1, $this->rules('burn', [$this->folder]));
    }

    public function testANewVersionOfACalendarWaitsForItsOwnNextMoment(): void
    {
        $this->rules('import', [base_path('demo/rules/first-monday.json')], ['--on' => true]);
        $rule = Rule::query()->where('key', 'first-monday')->firstOrFail();
        $due = fn (): ?string => Timer::query()
            ->where('kind', Timer::CALENDAR)
            ->where('subject_id', $rule->id)
            ->first()
            ?->due_at?->format('Y-m-d H:i');
        self::assertSame('2026-04-06 09:00', $due());
        mkdir($this->folder);
        $document = $rule->version?->document;
        $document['trigger']['at'] = '2026-03-04T09:30';
        file_put_contents("$this->folder/first-monday.json", json_encode($document));

        $this->rules('import', ["$this->folder/first-monday.json"]);

        self::assertSame('2026-03-04 09:30', $due());
    }

    public function testARehearsalOnPaperIsWholeAndNeedsNoDatabase(): void
    {
        $at = ['rule' => base_path('demo/rules/lesson-reminder.json'), 'world' => base_path('docs/formats/examples/world.json')];
        $asked = 0;
        $this->app->make('db')->listen(function () use (&$asked): void {
            $asked++;
        });

        self::assertSame(0, Artisan::call('linnet:rehearse', $at + ['--json' => true]));

        $lived = json_decode(Artisan::output(), true, 32, JSON_THROW_ON_ERROR);
        self::assertSame(['runs', 'texts', 'effects', 'trace'], array_keys($lived));
        self::assertNotSame([], $lived['runs']);
        self::assertSame(0, Artisan::call('linnet:rehearse', $at));
        $table = Artisan::output();
        foreach ($lived['texts'] as $text) {
            self::assertStringContainsString($text['words'], $table);
            self::assertStringContainsString(
                $text['leaves'] === null ? $text['why'] : (new \DateTimeImmutable($text['leaves']))->format('D j M Y H:i:s'),
                $table,
            );
        }
        self::assertSame(1, Artisan::call('linnet:rehearse', ['rule' => 'nowhere.json'] + $at));
        self::assertStringContainsString('nowhere.json', Artisan::output());
        self::assertSame(0, $asked, 'a rehearsal asks no database');
    }

    /**
     * @param  list<string>  $paths
     * @param  array<string, bool>  $with
     */
    private function rules(string $what, array $paths, array $with = []): int
    {
        return Artisan::call('linnet:rules', ['what' => $what, 'paths' => $paths] + $with);
    }
}
