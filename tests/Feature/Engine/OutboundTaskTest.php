<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Carrier\Carriers;
use App\Carrier\NumberLookup;
use App\Jobs\OutboundTaskQueue;
use App\Jobs\RunOutboundTask;
use App\Models\OutboundTask;
use App\Models\OutboundTaskState;
use App\Models\Record;
use App\Models\Role;
use App\Models\Trace;
use App\Outside\Poster;
use App\Outside\Resolver;
use Illuminate\Http\Client\Request;
use Illuminate\Queue\WorkerOptions;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Mail;
use Psr\Clock\ClockInterface;
use Tests\Feature\TestCase;

/** What rules want done outside: through the queue, tried again, given up into a list. */
final class OutboundTaskTest extends TestCase
{
    /** @var list<array{string, string}> body and key of each post */
    private array $posts = [];

    private int $answersWith = 200;

    protected function setUp(): void
    {
        parent::setUp();
        config(['queue.default' => 'database', 'mail.default' => 'smtp']);
        $this->app->instance(Resolver::class, new class extends Resolver
        {
            public function addresses(string $host): array
            {
                return $host === 'books.example' ? ['93.184.215.14'] : ['10.0.0.7'];
            }
        });
        Http::fake(['books.example/*' => function (Request $request) {
            $this->posts[] = [$request->body(), $request->header('Idempotency-Key')[0]];

            return Http::response('', $this->answersWith);
        }]);
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules/deal-agreed.json')], '--on' => true]);
    }

    public function testAnAgreedDealIsPostedOnceAndMailedToItsOwner(): void
    {
        Mail::fake();
        $this->agree();
        $this->runJobs();
        (new RunOutboundTask(OutboundTask::query()->where('kind', 'post')->sole()->id))->handle(...$this->parts());

        self::assertSame(
            ['{"deal":"Harbour Mutual, summer day","value":"1,250","person":{"name":"Wen"},"won":true}'],
            array_column($this->posts, 0),
        );
        self::assertSame(
            [OutboundTaskState::Done, OutboundTaskState::Done],
            OutboundTask::query()->orderBy('id')->get()->map(fn (OutboundTask $task): OutboundTaskState => $task->state)->all(),
        );
        self::assertSame('tom@osierquay.example', OutboundTask::query()->where('kind', 'email')->sole()->address);
        self::assertSame(0, DB::table('jobs')->count());
    }

    public function testWhatIsNotTakenIsTriedAgainUnderTheSameKeyAndGivenUpIntoAList(): void
    {
        Mail::fake();
        $this->answersWith = 503;
        $this->agree();
        for ($i = 0; $i < 6; $i++) {
            $this->runJobs();
        }

        $task = OutboundTask::query()->where('kind', 'post')->sole();
        self::assertSame([6, OutboundTaskState::GivenUp], [$task->attempts, $task->state]);
        self::assertCount(1, array_unique(array_column($this->posts, 1)));
        self::assertSame('it answered with HTTP 503', $task->reason['with']['detail'] ?? null);
        self::assertTrue(Trace::query()->where('code', 'outbound_task.given_up')->exists());
        $this->actingAs($this->staff(Role::Administrator))
            ->get('/today')
            ->assertSee('was given up')
            ->assertSee('it answered with HTTP 503');

        $this->answersWith = 200;
        $this->post("/outbound-tasks/$task->id/again")->assertSessionHas('done', 'It is tried again.');
        $this->runJobs();
        self::assertSame(OutboundTaskState::Done, $task->refresh()->state);
        $this->get('/today')->assertDontSee('was given up');
    }

    public function testNothingIsPostedToAnAddressWithinTheHouse(): void
    {
        $task = OutboundTask::query()->create([
            'name' => 'x', 'key' => 'a-key', 'kind' => 'post', 'address' => 'https://inside.example/hook', 'body' => ['a' => 1],
            'state' => 'waiting', 'at' => now(),
        ]);

        try {
            (new RunOutboundTask($task->id))->handle(...$this->parts());
            self::fail('it was posted');
        } catch (\RuntimeException $e) {
            self::assertStringContainsString('inside.example', $e->getMessage());
        }
        self::assertSame([], $this->posts);
    }

    private function agree(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->post('/records/deal', [
            'fields' => [
                'title' => 'Harbour Mutual, summer day', 'stage' => 'offered', 'value' => '1250',
                'owner' => '#'.$this->staff(Role::Operator)->id, 'who' => '#'.$this->person(self::WEN)->id,
            ],
        ])->assertSessionHasNoErrors();
        $this->work();
        $deal = Record::query()->sole();
        $this->patch("/records/deal/$deal->id/move", ['to' => 'agreed'])->assertSessionHasNoErrors();
        $this->work();
    }

    private function runJobs(): void
    {
        DB::table('jobs')->update(['available_at' => 0]);
        app('queue.worker')->setCache(app('cache.store'))->daemon('database', 'default', new WorkerOptions(stopWhenEmpty: true, sleep: 0));
    }

    /** @return array{ClockInterface, NumberLookup, Poster, Carriers} */
    private function parts(): array
    {
        return [resolve(ClockInterface::class), resolve(NumberLookup::class), resolve(Poster::class), resolve(Carriers::class)];
    }

    public function testMailThatGoesNowhereIsNotDoneAndIsSaid(): void
    {
        config(['mail.default' => 'log']);
        $this->agree();
        $this->runJobs();
        $mail = OutboundTask::query()->where('kind', 'email')->sole();
        self::assertSame(OutboundTaskState::GivenUp, $mail->state);

        $this->actingAs($this->staff(Role::Administrator))->get('/settings')->assertSee('No mail server is set up');
        $this->get('/today')->assertSee('One email was not sent: no mail server is set up');
        config(['mail.default' => 'smtp']);
        Mail::fake();
        $this->post('/outbound-tasks/mail/again')->assertRedirect();
        $this->runJobs();
        self::assertSame(OutboundTaskState::Done, $mail->refresh()->state);
    }

    public function testATaskThatIsLostOnItsWayIsFoundAndDoneOnce(): void
    {
        Mail::fake();
        $this->agree();
        self::assertSame(2, DB::table('jobs')->count());
        // The process ends between what was decided and the queue.
        DB::table('jobs')->delete();
        self::assertSame(0, OutboundTaskQueue::requeueLost());
        $this->travel(6)->minutes();
        self::assertSame(2, OutboundTaskQueue::requeueLost());
        // Put there twice, each is done once.
        OutboundTask::query()->get()->each(fn (OutboundTask $task) => RunOutboundTask::dispatch($task->id));
        $this->runJobs();

        self::assertSame(
            [OutboundTaskState::Done, OutboundTaskState::Done],
            OutboundTask::query()->orderBy('id')->get()->map(fn (OutboundTask $task): OutboundTaskState => $task->state)->all(),
        );
        self::assertCount(1, $this->posts);
        self::assertSame(
            0,
            OutboundTask::query()->where('due_at', '<', now()->subHour())->where('state', OutboundTaskState::Waiting)->count(),
        );
        self::assertSame(0, DB::table('jobs')->count());
    }

    public function testATaskThatIsNotThereIsNoSilence(): void
    {
        RunOutboundTask::dispatch(4711);
        for ($i = 0; $i < 6; $i++) {
            $this->runJobs();
        }

        self::assertSame(['task' => 4711], Trace::query()->where('code', 'outbound_task.missing')->sole()->with);
    }
}
