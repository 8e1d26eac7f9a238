<?php

declare(strict_types=1);

namespace Demo\Commands;

use App\Engine\DirectTexts;
use App\Engine\Outbox;
use App\Engine\Worker;
use App\Intake\IntakeWorker;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Number;
use App\Models\Staff;
use App\Models\Timer;
use Database\Seeders\OldRecordsSeeder;
use Demo\HandClock;
use Demo\MovableClock;
use Demo\SampleTown;
use Demo\Season\Season;
use Demo\SeasonSimulation;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Psr\Clock\ClockInterface;

/** Lives through the demo's first days: the stand-ins act, the engine answers, by HTTP, with the clock moved from one thing to the next. */
final class Demo extends Command
{
    protected $signature = 'linnet:demo
        {what : "begin" sets the clock before seeding, "live" plays the first days, "run" and "stop" let the clock run or stand}
        {--at=2026-03-02T10:19:30Z : Where the clock stands in the end}
        {--scale=400 : How many people; up to 100000, for measuring}
        {--days=90 : How many days before the first of history.json are lived through}';

    protected $description = 'The demo world of Osier Quay Boathouse';

    protected $hidden = true;

    public function handle(ClockInterface $clock): int
    {
        if (! $clock instanceof MovableClock) {
            $this->components->error('The demo needs a clock that can be moved: set CLOCK_FILE in .env, such as demo/clock.json.');

            return self::FAILURE;
        }
        match ($this->argument('what')) {
            'begin' => $this->begin($clock),
            'live' => $this->live($clock),
            'run' => $clock->run(),
            'stop' => $clock->stop(),
            default => $this->components->error('Say begin, live, run or stop.'),
        };

        return self::SUCCESS;
    }

    private function begin(MovableClock $clock): void
    {
        $clock->stop();
        $clock->moveTo($this->planned()->begins());
    }

    private function planned(): Season
    {
        return new Season(
            max(60, (int) $this->input->getOption('scale')),
            min(Season::DAYS, max(0, (int) $this->input->getOption('days'))),
        );
    }

    private function live(MovableClock $clock): void
    {
        $this->callSilently('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules')]]);
        $this->season($clock);
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
        $zone = new \DateTimeZone(Business::ours()->zone);
        $utc = new \DateTimeZone('UTC');
        /** @var list<array<string, string|bool>> $history */
        $history = json_decode((string) file_get_contents(base_path('demo/history.json')), true, 8, JSON_THROW_ON_ERROR);
        foreach ($history as $event) {
            $this->waitUntil($clock, (new \DateTimeImmutable((string) $event['at'], $zone))->setTimezone($utc));
            $this->act($event);
            $this->settle();
        }
        $this->waitUntil($clock, new \DateTimeImmutable((string) $this->input->getOption('at'), $utc));
        SampleTown::written($clock->now());
    }

    private function season(MovableClock $clock): void
    {
        $season = $this->planned();
        // Nothing is lost that could not be made again.
        DB::connection()->getDriverName() !== 'sqlite' || DB::statement('pragma synchronous = off');
        $bar = $this->output->createProgressBar((int) $season->begins()->diff($season->ends())->days);
        $bar->setFormat('  %current% of %max% days, %remaining% left');
        $tell = fn (array $texts): mixed => $this->post('/carrier/remembered', ['texts' => $texts]);
        (new SeasonSimulation(new HandClock($season->begins()), $season, $tell))->live(
            Season::guests(max(60, (int) $this->input->getOption('scale'))),
            fn () => $bar->advance(),
        );
        $bar->finish();
        $this->newLine();
        $clock->moveTo($season->ends());
        SampleTown::staffed();
        DB::connection()->getDriverName() !== 'sqlite' || DB::statement('pragma synchronous = normal');
    }

    /** @param  array<string, string|bool>  $event */
    private function act(array $event): void
    {
        $line = Line::query()->firstWhere('key', $event['to'] ?? '')?->number;
        match (true) {
            isset($event['call']) => $this->post('/phone/calls', [
                'from' => $event['call'], 'to' => $line, 'answered' => $event['answered'] ?? false,
                'withheld' => $event['withheld'] ?? false, 'how' => $event['how'] ?? 'as_usual',
            ]),
            isset($event['shop']) => $this->post("/shop-acts/{$event['shop']}", [
                'act' => $event['act'],
                'how' => $event['how'] ?? 'as_usual',
            ]),
            isset($event['lesson']) => $this->post(
                "/lessons/{$event['lesson']}",
                array_intersect_key($event, ['what' => 1, 'with' => 1, 'from' => 1, 'guests' => 1, 'how' => 1]),
            ),
            isset($event['write']) => $this->post("/handsets/{$event['write']}/write", ['to' => $line, 'text' => $event['text']]),
            default => $this->answer($event),
        };
    }

    /** @param  array<string, mixed>  $event */
    private function answer(array $event): void
    {
        $conversation = Conversation::query()
            ->where('person_id', Number::query()->firstWhere('e164', $event['to_number'])?->person_id)
            ->firstOrFail();
        $staff = Staff::query()->where('email', $event['staff'])->firstOrFail();
        resolve(DirectTexts::class)->fromStaff($conversation->person_id, $conversation->line, null, $staff, (string) $event['text']);
    }

    /** Lets everything happen that is due before a moment, each at its own. */
    private function waitUntil(MovableClock $clock, \DateTimeImmutable $moment): void
    {
        while (($due = Timer::query()->whereNotNull('due_at')->orderBy('due_at')->first()?->due_at) !== null && $due <= $moment) {
            $clock->moveTo(max($due, $clock->now()));
            $this->settle();
        }
        $clock->moveTo($moment);
    }

    /** The stand-ins say what they have to say, the engine does what there is to do, until both have nothing left. */
    private function settle(): void
    {
        do {
            $done = (int) $this->post('/settle', []);
            for (
                $worked = 0;
                ($round = resolve(Worker::class)->round() + resolve(Outbox::class)->deliver() + resolve(IntakeWorker::class)->round()) > 0;
                $worked += $round
            );
        } while ($done + $worked > 0);
    }

    /** @param  array<string, mixed>  $body */
    private function post(string $path, array $body): mixed
    {
        return Http::timeout(20)
            ->withToken(config()->string('linnet.carriers.main.secret'))
            ->post(config()->string('demo.standins_url').$path, $body)
            ->throw()
            ->json('outbound_tasks');
    }
}
