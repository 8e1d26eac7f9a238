<?php

declare(strict_types=1);

namespace Bench;

use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\RunState;

/** Many people with a run each whose next text is due, written straight into the tables. */
final class Waiting
{
    /** Its people are numbered from here. */
    public const FIRST = 1_000_000;

    /**
     * @param  array<string, mixed>  $text  what its text says otherwise
     * @param  int  $hours  over how many hours they are spread, from the first
     * @return int the rule's id
     */
    public static function seed(int $many, \DateTimeImmutable $due, array $text = [], int $hours = 1): int
    {
        $document = [
            'linnet_rule' => 1, 'name' => 'Bench', 'key' => 'bench', 'trigger' => ['on' => 'started', 'type' => 'person'],
            'conditions' => ['all' => []], 'again' => ['policy' => 'every_time'], 'stop_early' => ['reply' => true],
            'steps' => [
                ['id' => 'w', 'do' => 'wait', 'for' => ['amount' => 1, 'unit' => 'hours']],
                $text + [
                    'id' => 't', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'fixed', 'key' => 'front-desk'],
                    'wordings' => [['id' => 'a', 'text' => 'Hello {{ first_name | or: "there" }}, it is {{ town | or: "here" }} as ever.']],
                ],
            ],
        ];
        $rule = DB::table('rules')->insertGetId(['name' => 'Bench', 'key' => 'bench', 'power' => 'on']);
        $version = DB::table('rule_versions')->insertGetId([
            'rule_id' => $rule, 'number' => 1, 'document' => json_encode($document), 'at' => $due->format('Y-m-d H:i:s'),
        ]);
        DB::table('rules')
            ->where('id', $rule)
            ->update(['version_id' => $version]);
        $pdo = DB::getPdo();
        $isSqlite = DB::connection()->getDriverName() === 'sqlite';
        $isSqlite && $pdo->exec('pragma synchronous = off');
        DB::transaction(function () use ($pdo, $many, $due, $rule, $version, $hours): void {
            $at = $due->format('Y-m-d H:i:s');
            $people = $pdo->prepare('insert into people (id, first_name, fields, added_at) values (?, ?, ?, ?)');
            $numbers = $pdo->prepare('insert into numbers (person_id, e164, country, kind, zones, "rank") values (?, ?, ?, ?, ?, 0)');
            $runs = $pdo->prepare(
                'insert into runs (rule_id, rule_version_id, person_id, occasion, state, live, began_at, step) values (?, ?, ?, ?, ?, true, ?, ?)',
            );
            $timers = $pdo->prepare('insert into timers (kind, subject_id, rule_id, due_at) values (?, ?, 0, ?)');
            for ($i = 1; $i <= $many; $i++) {
                $id = self::FIRST + $i;
                $began = $due->modify('+'.($i % $hours - 1).' hours');
                $state = json_encode(RunState::begin('w', $began)->toArray());
                $people->execute([$id, "P$i", '{"town":"Osier"}', $at]);
                $numbers->execute([$id, sprintf('+4478%08d', $i), 'GB', 'mobile', '["Europe/London"]']);
                $runs->execute([$rule, $version, $id, "b$i", $state, $began->format('Y-m-d H:i:s'), 'w']);
                $timers->execute(['run', $pdo->lastInsertId(), $began->modify('+1 hour')->format('Y-m-d H:i:s')]);
            }
        });
        $isSqlite && $pdo->exec('pragma synchronous = normal');
        $isSqlite && $pdo->exec('pragma wal_checkpoint(truncate)');

        return $rule;
    }
}
