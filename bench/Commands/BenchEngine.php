<?php

declare(strict_types=1);

namespace Bench\Commands;

use App\Engine\Batch;
use App\Engine\Outbox;
use App\Engine\Runner;
use App\Models\Message;
use Bench\PlainJob;
use Bench\Town;
use Bench\Waiting;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\Scheduler;
use Psr\Clock\ClockInterface;

/** The figures of the engine, each beside its yardstick in the same run. */
final class BenchEngine extends Command
{
    private const TAKEN = 10_000;

    private const JOBS = 400;

    protected $signature = 'linnet:bench-engine {--waiting=100000 : How many wait; 1000000 for the memory’s own figure}';

    protected $description = 'Measure the engine';

    public function handle(): int
    {
        $town = new Town('bench-engine', ['QUEUE_CONNECTION' => 'database']);
        config(['queue.default' => 'database']);
        try {
            $town->serveStandins();
            $waiting = (int) $this->input->getOption('waiting');
            Waiting::seed($waiting, new \DateTimeImmutable('2026-03-02T10:00:00Z'));

            return $this->measure($town, min(self::TAKEN, $waiting));
        } finally {
            $town->close();
        }
    }

    private function measure(Town $town, int $taken): int
    {
        $town->clockTo('2026-03-02T10:00:01Z');
        $engine = $this->engine($taken);
        $pdo = $this->barePdo($taken);
        $jobs = $this->plainJobs();
        $this->row(
            'due timer to a text in the outbox',
            sprintf('%d/s, 1/%.1f of bare PDO (%d/s)', $engine, $pdo / $engine, $pdo),
            'at least 1/3',
        );
        $this->row('beside a plain delayed job per text', sprintf('%.1f times (%d/s)', $engine / $jobs, $jobs), 'at least 20 times');
        [$outbox, $client] = $this->outbox($town);
        $this->row(
            'outbox to the carrier',
            sprintf('%d/s, %d %% of a bare concurrent client (%d/s)', $outbox, (100 * $outbox) / $client, $client),
            'at least 70 %',
        );
        [$timers, $low, $high, $peak] = $this->memory();
        $this->row(
            sprintf('memory over %s timers', number_format($timers)),
            sprintf('%.0f to %.0f MiB in use, %.0f MiB at most', $low, $high, $peak),
            'flat, under 128 MiB',
        );
        [$few, $many] = $this->finding();
        $this->row(
            'finding due timers, 1,000,000 against 1,000',
            sprintf('%.2f times (%.0f and %.0f µs)', $many / $few, $many, $few),
            'at most 1.2 times',
        );

        return $engine * 3 >= $pdo &&
            $engine >= 20 * $jobs &&
            $outbox >= 0.7 * $client &&
            $peak < 128 &&
            $many <= 1.2 * $few
            ? self::SUCCESS
            : self::FAILURE;
    }

    private function engine(int $taken): float
    {
        $runner = resolve(Runner::class);
        $now = resolve(ClockInterface::class)->now();
        $began = hrtime(true);
        for ($done = 0; $done < $taken; $done += count($ids)) {
            $ids = array_values(
                array_map(
                    intval(...),
                    DB::table('timers')
                        ->where('due_at', '<=', $now->format('Y-m-d H:i:s'))
                        ->orderBy('due_at')
                        ->orderBy('id')
                        ->limit(Scheduler::AT_ONCE)
                        ->pluck('id')
                        ->all(),
                ),
            );
            $runner->timers(new Batch($ids));
        }
        $seconds = (hrtime(true) - $began) / 1e9;
        if (DB::table('messages')->where('state', 'ready')->count() !== $taken) {
            throw new \RuntimeException('Not every text is in the outbox.');
        }

        return $taken / $seconds;
    }

    /** Writes what the engine wrote for each text, row by row with prepared statements, as many in one transaction as the engine takes. */
    private function barePdo(int $taken): float
    {
        $pdo = DB::getPdo();
        $rows = fn (string $table): array => array_map(
            fn (\stdClass $row): array => (array) $row,
            DB::table($table)->orderByDesc('id')->limit($taken)->get()->all(),
        );
        $messages = $rows('messages');
        $traces = DB::table('traces')->whereIn('run_id', array_column($messages, 'run_id'))->get()->groupBy('run_id');
        $timers = array_map(intval(...), DB::table('timers')->orderBy('id')->limit($taken)->pluck('id')->all());
        $insert = fn (string $table, array $columns): \PDOStatement => $pdo->prepare(
            "insert into $table (".
                implode(', ', array_map(fn (string $c): string => "\"$c\"", $columns)).
                ') values ('.
                implode(', ', array_fill(0, count($columns), '?')).
                ')',
        );
        $message = $insert('messages', array_diff(array_keys($messages[0]), ['id', 'troubled', 'reason_code']));
        $conversation = $pdo->prepare('update conversations set last_message_id = ?, last_at = ? where id = ?');
        $newConversation = $pdo->prepare('insert into conversations (person_id, line_id, last_at) values (?, ?, ?)');
        $run = $pdo->prepare('update runs set state = ?, live = ?, outcome = ?, step = ?, ended_at = ? where id = ?');
        $timer = $pdo->prepare('delete from timers where id = ?');
        $trace = null;
        $runs = DB::table('runs')->whereIn('id', array_slice(array_column($messages, 'run_id'), 0, 1))->get();
        $state = (array) $runs[0];
        $began = hrtime(true);
        foreach (array_chunk($messages, Scheduler::AT_ONCE) as $at => $chunk) {
            $pdo->beginTransaction();
            foreach ($chunk as $i => $row) {
                $newConversation->execute([$row['person_id'], 2, $row['at']]);
                $id = $pdo->lastInsertId();
                $message->execute(
                    array_values(
                        array_replace(
                            array_diff_key($row, ['id' => 1, 'troubled' => 1, 'reason_code' => 1]),
                            ['name' => "bare/{$row['id']}", 'key' => "bare/{$row['id']}"],
                        ),
                    ),
                );
                $conversation->execute([$pdo->lastInsertId(), $row['at'], $id]);
                $run->execute([$state['state'], $state['live'], $state['outcome'], $state['step'], $state['ended_at'], $row['run_id']]);
                $timer->execute([$timers[$at * Scheduler::AT_ONCE + $i] ?? 0]);
                foreach ($traces[$row['run_id']] ?? [] as $one) {
                    $one = array_diff_key((array) $one, ['id' => 1]);
                    $trace ??= $insert('traces', array_keys($one));
                    $trace->execute(array_values($one));
                }
            }
            $pdo->commit();
        }
        $seconds = (hrtime(true) - $began) / 1e9;
        DB::table('conversations')->where('line_id', 2)->update(['last_message_id' => null]);
        DB::table('messages')->whereLike('name', 'bare/%')->delete();

        return count($messages) / $seconds;
    }

    /** A delayed job for each text, as one would write it without an engine: it reads the person, writes the message, and is done. */
    private function plainJobs(): float
    {
        $people = DB::table('people')->where('id', '>', 1_000_000)->limit(self::JOBS)->pluck('id');
        foreach ($people as $id) {
            PlainJob::dispatch((int) $id)->delay(0);
        }
        DB::table('jobs')->update(['available_at' => 0]);
        $worker = app('queue.worker');
        $options = new \Illuminate\Queue\WorkerOptions(sleep: 0, stopWhenEmpty: true);
        $began = hrtime(true);
        $worker->setCache(app('cache.store'))->daemon('database', 'default', $options);
        $seconds = (hrtime(true) - $began) / 1e9;
        if (DB::table('messages')->whereLike('name', 'plain/%')->count() !== self::JOBS) {
            throw new \RuntimeException('Not every job was done.');
        }
        DB::table('messages')->whereLike('name', 'plain/%')->delete();

        return self::JOBS / $seconds;
    }

    /** @return array{float, float} texts a second by the outbox, and by a bare client with as many connections */
    private function outbox(Town $town): array
    {
        config(['linnet.carriers.main.url' => $town->env['CARRIER_URL'], 'linnet.carriers.main.secret' => 'town']);
        $outbox = resolve(Outbox::class);
        for ($warm = 0; $warm < 2; $warm++) {
            $outbox->deliver();
        }
        $began = hrtime(true);
        for ($done = 0, $rounds = 0; $rounds < 40; $rounds++) {
            $done += $outbox->deliver();
        }
        $ours = $done / ((hrtime(true) - $began) / 1e9);
        $texts = Message::query()
            ->where('state', 'ready')
            ->orderByDesc('id')
            ->limit(40 * config()->integer('linnet.hand_over.concurrency'))
            ->get();
        $began = hrtime(true);
        foreach ($texts->chunk(config()->integer('linnet.hand_over.concurrency')) as $chunk) {
            $this->post($town->env['CARRIER_URL'], array_values($chunk->all()));
        }

        return [$ours, $texts->count() / ((hrtime(true) - $began) / 1e9)];
    }

    /** @param  list<Message>  $texts */
    private function post(string $url, array $texts): void
    {
        $multi = curl_multi_init();
        $handles = [];
        foreach ($texts as $text) {
            $handle = curl_init("$url/texts");
            curl_setopt_array($handle, [
                CURLOPT_RETURNTRANSFER => true, CURLOPT_POST => true,
                CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Authorization: Bearer town', "Idempotency-Key: bare:$text->id"],
                CURLOPT_POSTFIELDS => (string) json_encode(['from' => '+447700900100', 'to' => $text->number, 'text' => $text->body]),
            ]);
            curl_multi_add_handle($multi, $handle);
            $handles[] = $handle;
        }
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.1);
        } while ($running > 0);
        foreach ($handles as $handle) {
            curl_multi_remove_handle($multi, $handle);
        }
        curl_multi_close($multi);
    }

    /**
     * @return array{int, float, float, float} how many were taken; the least and the most memory in use after each thousand, and the peak,
     * in MiB
     */
    private function memory(): array
    {
        $worker = resolve(Runner::class);
        $now = resolve(ClockInterface::class)->now()->format('Y-m-d H:i:s');
        $timers = fn (): array => array_values(
            array_map(
                intval(...),
                DB::table('timers')
                    ->where('due_at', '<=', $now)
                    ->orderBy('due_at')
                    ->orderBy('id')
                    ->limit(Scheduler::AT_ONCE)
                    ->pluck('id')
                    ->all(),
            ),
        );
        $used = [];
        for ($done = 0; ($ids = $timers()) !== []; $done += count($ids)) {
            $worker->timers(new Batch($ids));
            if (intdiv($done, 1000) !== intdiv($done + count($ids), 1000)) {
                $used[] = memory_get_usage() / 1048576;
            }
        }

        return [$done, $used === [] ? 0.0 : min($used), $used === [] ? 0.0 : max($used), memory_get_peak_usage(true) / 1048576];
    }

    /** @return array{float, float} microseconds to find the next due with 1,000 and with 1,000,000 waiting */
    private function finding(): array
    {
        $now = resolve(ClockInterface::class)->now();
        $measured = [];
        foreach ([1_000, 1_000_000] as $many) {
            DB::table('timers')->delete();
            $pdo = DB::getPdo();
            DB::transaction(function () use ($pdo, $many): void {
                $timers = $pdo->prepare('insert into timers (kind, subject_id, rule_id, due_at) values (?, ?, 0, ?)');
                for ($i = 1; $i <= $many; $i++) {
                    $timers->execute(['run', $i, gmdate('Y-m-d H:i:s', 1_772_445_601 + ($i <= 100 ? -1 : $i * 7919 % 10_000_000 + 60))]);
                }
            });
            $times = [];
            for ($round = 0; $round < 301; $round++) {
                $began = hrtime(true);
                DB::table('timers')
                    ->where('due_at', '<=', $now->format('Y-m-d H:i:s'))
                    ->orderBy('due_at')
                    ->orderBy('id')
                    ->limit(Scheduler::AT_ONCE)
                    ->pluck('id');
                $times[] = (hrtime(true) - $began) / 1000;
            }
            sort($times);
            $measured[] = $times[150];
        }

        return [$measured[0], $measured[1]];
    }

    private function row(string $what, string $measured, string $goal): void
    {
        $this->line(sprintf('%-46s %-60s %s', $what, $measured, $goal));
    }
}
