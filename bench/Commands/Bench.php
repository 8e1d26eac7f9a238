<?php

declare(strict_types=1);

namespace Bench\Commands;

use App\Models\Message;
use App\Models\MessageState;
use Bench\Town;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Http;
use Linnet\Core\Record\Facts;
use Linnet\Core\Text\Length as TextLength;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;

/** The figures Linnet is held to, as far as they are built, measured on this machine with databases of their own. */
final class Bench extends Command
{
    private const CHANGES = 60;

    private const ROUNDS = 20_000;

    protected $signature = 'linnet:bench';

    protected $description = 'Measure what Linnet is held to';

    public function handle(): int
    {
        $this->row('what', 'measured', 'goal');
        [$length, $render] = $this->lengthAndRender();
        $this->row('length of one text', sprintf('%.1f µs', $length), 'under 10 µs');
        $this->row('render of one text', sprintf('%.1f µs', $render), 'under 10 µs');
        [$p50, $p95] = $this->changeToCarrier();
        $this->row('change over HTTP to carrier hand-over, idle', sprintf('p50 %d ms, p95 %d ms', $p50, $p95), 'p95 under 250 ms');
        $this->row('memory of this process', sprintf('%.0f MiB', memory_get_peak_usage(true) / 1048576), '');

        return $length < 10 && $render < 10 && $p95 < 250 ? self::SUCCESS : self::FAILURE;
    }

    /** @return array{float, float} microseconds each, the median of five rounds */
    private function lengthAndRender(): array
    {
        $text =
            'Osier Quay Boathouse: Hello Ana, you’re booked for the beginners’ lesson with Tom on Saturday 14 March, 10:00 [quay 2]. Reply Y to keep it.';
        $template = Template::parse(
            'Hello {{ first_name | or: "there" }}, your lesson is {{ booking.starts_at | as: "relative day" }} at {{ booking.starts_at | as: "time" }}. Bring a towel.',
        );
        $facts = Facts::fromJson([
            'first_name' => 'Ana',
            'booking' => ['starts_at' => ['at' => '2026-03-14T10:00:00Z', 'zone' => 'Europe/London']],
        ]);
        $renderer = new Renderer($facts, new \DateTimeImmutable('2026-03-13T10:00:00Z'), 'America/Toronto', 'en_GB');

        return [$this->median(fn () => TextLength::of($text)), $this->median(fn () => $renderer->render($template))];
    }

    private function median(\Closure $work): float
    {
        $rounds = [];
        for ($round = 0; $round < 5; $round++) {
            $began = hrtime(true);
            for ($i = 0; $i < self::ROUNDS; $i++) {
                $work();
            }
            $rounds[] = (hrtime(true) - $began) / self::ROUNDS / 1000;
        }
        sort($rounds);

        return $rounds[2];
    }

    /**
     * Posts missed calls, one at a time, to an idle system of web, worker and stand-in carrier, each a process of its own.
     *
     * @return array{float, float} milliseconds from the posting to the carrier having it, median and 95th percentile
     */
    private function changeToCarrier(): array
    {
        $town = new Town('bench');
        try {
            $town->serveStandins();
            $town->serve();
            $town->start(['php', 'artisan', 'linnet:work']);
            $town->start(['php', 'artisan', 'linnet:hand-over']);

            return $this->post($town->url);
        } finally {
            $town->close();
        }
    }

    /** @return array{float, float} */
    private function post(string $url): array
    {
        $times = [];
        for ($i = 0; $i < self::CHANGES; $i++) {
            // Let the worker come to rest, at another point of its rest each time.
            usleep(250_000 + crc32("bench $i") % 200_000);
            $began = hrtime(true);
            Http::withToken(DatabaseSeeder::PHONE_SECRET)
                ->post("$url/in/phone", [
                    'ref' => "B$i", 'cli' => sprintf('+4477009005%02d', $i), 'ddi' => '+447700900101', 't0' => 1772445580000,
                    'ring' => ['ms' => 1], 'why_unanswered' => 'rang out',
                ])
                ->throw();
            while (Message::query()->where('state', MessageState::Handed)->count() <= $i) {
                usleep(2000);
                if (hrtime(true) - $began > 10e9) {
                    throw new \RuntimeException('A text was not handed over within ten seconds.');
                }
            }
            $times[] = (hrtime(true) - $began) / 1e6;
        }
        sort($times);

        return [$times[intdiv(count($times), 2)], $times[(int) ceil(count($times) * 0.95) - 1]];
    }

    private function row(string $what, string $measured, string $goal): void
    {
        $this->line(sprintf('%-46s %-28s %s', $what, $measured, $goal));
    }
}
