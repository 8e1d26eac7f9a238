<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Counts\CountryCounts;
use App\Counts\MessageCounts;
use App\Engine\Outbox;
use App\Engine\Worker;
use App\Forecast\Forecaster;
use App\Intake\IntakeWorker;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Number;
use App\Models\Person;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Staff;
use App\Rules\Vocabularies;
use Carbon\CarbonImmutable;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Foundation\Testing\TestCase as FrameworkTestCase;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Prose\Edit\RuleText;
use Linnet\Core\Prose\Language;
use Symfony\Component\HttpFoundation\Response;

/** The boathouse on the morning of Monday 2 March, with a clock that stands and a carrier that takes everything. */
abstract class TestCase extends FrameworkTestCase
{
    use RefreshDatabase;

    public $mockConsoleOutput = false;

    /** Once for each process, as the tables are: every test takes back what it did. */
    protected string $seeder = DatabaseSeeder::class;

    protected const FRONT_DESK = '+447700900100';

    protected const WEN = '+447700900301';

    /** @var list<array<string, string>> what the carrier took, in order */
    protected array $handedOver = [];

    private int $refs = 0;

    /** A database for each process: with SQLite a file, since in memory every row of a long transaction makes the next one dearer. */
    public function createApplication(): Application
    {
        $app = parent::createApplication();
        $process = getenv('TEST_TOKEN') ?: '1';
        if (config()->string('database.default') === 'pgsql') {
            config(['database.connections.pgsql.database' => "linnet_$process"]);
        } else {
            $file = storage_path("testing/process_$process.sqlite");
            RefreshDatabaseState::$migrated || array_map(unlink(...), glob("$file*") ?: []);
            is_dir(dirname($file)) || mkdir(dirname($file), recursive: true);
            touch($file);
            config(['database.connections.sqlite.database' => $file]);
        }

        return $app;
    }

    /** The boathouse is as old as its first morning. */
    protected function beforeRefreshingDatabase(): void
    {
        $this->travelToMoment('2026-03-02 10:00');
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        $this->travelToMoment('2026-03-02 10:00');
        Http::preventStrayRequests();
        Http::fake(['carrier.test/*' => function (Request $request) {
            $this->handedOver[] = [...$request->data(), 'key' => $request->header('Idempotency-Key')[0]];

            return Http::response(['ref' => 'C'.++$this->refs], 202);
        }]);
    }

    /** Whatever a test did to texts, and by whatever way: what was counted as it arose is what is there. */
    protected function assertPostConditions(): void
    {
        self::assertSame([], MessageCounts::differences());
        self::assertSame([], CountryCounts::differences());
    }

    /** By the clock on the quay. */
    protected function travelToMoment(string $local): void
    {
        $this->travelTo(CarbonImmutable::parse($local, 'Europe/London'));
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<Response>
     */
    protected function missedCall(string $cli, array $with = [], string $secret = DatabaseSeeder::PHONE_SECRET): TestResponse
    {
        return $this->postPhone((string) json_encode($with + [
            'evt' => 'call.over', 'ref' => 'OQ-'.++$this->refs, 'cli' => $cli, 'ddi' => '0044-7700-900100',
            't0' => (CarbonImmutable::now()->getTimestamp() - 20) * 1000, 'ring' => ['ms' => 20000], 'why_unanswered' => 'rang out',
        ]), $secret);
    }

    /** @return TestResponse<Response> */
    protected function postPhone(string $body, string $secret = DatabaseSeeder::PHONE_SECRET): TestResponse
    {
        return $this->call(
            'POST', '/in/phone', server: ['HTTP_AUTHORIZATION' => "Bearer $secret", 'CONTENT_TYPE' => 'application/json'], content: $body,
        );
    }

    /** @return TestResponse<Response> */
    protected function textFrom(string $number, string $text, ?string $ref = null): TestResponse
    {
        return $this->fromCarrier([
            'kind' => 'text', 'ref' => $ref ?? 'H'.++$this->refs, 'from' => $number, 'to' => self::FRONT_DESK, 'text' => $text,
        ]);
    }

    /**
     * @param  array<string, string>  $said
     * @return TestResponse<Response>
     */
    protected function fromCarrier(array $said): TestResponse
    {
        return $this->withToken('carrier-secret')->postJson('/in/carrier', $said);
    }

    /** The engine works until there is nothing left to do at this moment. */
    protected function work(): void
    {
        for ($rounds = 0; resolve(Worker::class)->round() + resolve(Outbox::class)->deliver() > 0; $rounds++) {
            self::assertLessThan(50, $rounds, 'the worker does not come to rest');
        }
    }

    /** What lies ahead is worked out until nothing is left to do. */
    protected function forecast(): void
    {
        $forecaster = resolve(Forecaster::class);
        for ($rounds = 0; $forecaster->round() > 0; $rounds++) {
            self::assertLessThan(50, $rounds, 'what lies ahead does not come to rest');
        }
        $forecaster->rest();
    }

    /** Files, watched addresses and replays are taken in until there is nothing left to do. */
    protected function takeIn(): void
    {
        for ($rounds = 0; resolve(IntakeWorker::class)->round() > 0; $rounds++) {
            self::assertLessThan(200, $rounds, 'taking in does not come to rest');
        }
    }

    protected function person(string $number): Person
    {
        return Person::query()->findOrFail(Number::query()->where('e164', $number)->firstOrFail()->person_id);
    }

    /** @return list<Message> the rules' texts to a number, oldest first */
    protected function textsTo(string $number): array
    {
        return array_values(
            Message::query()
                ->where('person_id', $this->person($number)->id)
                ->where('origin', MessageOrigin::Rule)
                ->orderBy('id')
                ->get()
                ->all(),
        );
    }

    protected function staff(Role $role): Staff
    {
        return Staff::query()->where('role', $role)->firstOrFail();
    }

    /**
     * Writes in a rule's draft: at the sentence that begins so, or before it.
     *
     * @param  int|null  $base  the edit that was seen; null for the newest
     * @return TestResponse<Response>
     */
    protected function write(
        Rule $rule,
        string $do,
        string $begins,
        string $text = '',
        ?int $base = null,
        ?int $line = null,
        int $depth = 1,
    ): TestResponse {
        $written = RuleText::of(new Language(Vocabularies::ours()), $rule->refresh()->written());
        foreach ($line === null ? $written->sentences : [] as $number => $sentence) {
            if (str_starts_with(mb_strtolower($sentence->sentence(), 'UTF-8'), mb_strtolower($begins, 'UTF-8'))) {
                $line ??= $number;
            }
        }
        self::assertNotNull($line, "No sentence begins “{$begins}” in\n".$written->text());

        return $this->post(route('rules.sentences', $rule), [
            'do' => $do, 'line' => $line, 'depth' => $depth, 'text' => $text, 'base' => $base ?? (int) $rule->edit_id,
        ]);
    }
}
