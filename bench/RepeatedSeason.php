<?php

declare(strict_types=1);

namespace Bench;

use App\Counts\CountryCounts;
use App\Counts\MessageCounts;
use App\Models\Timer;
use Illuminate\Support\Facades\DB;

/**
 * A season that was lived through, its rows repeated with shifted ids: the people, texts, runs and traces of a business many times the
 * size, made in minutes, with everything as unevenly spread over rules, days and people as life left it.
 */
final class RepeatedSeason
{
    /** Which of a table's columns point to which table; "id" is its own. */
    private const POINTS = [
        'people' => ['id' => 'people'],
        'numbers' => ['id' => 'numbers', 'person_id' => 'people', 'ambiguous_opt_out_message_id' => 'messages'],
        'consents' => ['id' => 'consents', 'person_id' => 'people'],
        'labels' => ['id' => 'labels', 'person_id' => 'people'],
        'records' => ['id' => 'records', 'person_id' => 'people'],
        'conversations' => ['id' => 'conversations', 'person_id' => 'people', 'last_message_id' => 'messages'],
        'runs' => ['id' => 'runs', 'person_id' => 'people', 'record_id' => 'records'],
        'messages' => [
            'id' => 'messages', 'person_id' => 'people', 'conversation_id' => 'conversations', 'run_id' => 'runs',
            'put_to_run_id' => 'runs',
        ],
        'receipts' => ['id' => 'receipts', 'message_id' => 'messages'],
        'links' => ['message_id' => 'messages'],
        'changes' => ['id' => 'changes', 'record_id' => 'records', 'person_id' => 'people', 'message_id' => 'messages'],
        'traces' => [
            'id' => 'traces', 'person_id' => 'people', 'run_id' => 'runs', 'record_id' => 'records', 'message_id' => 'messages',
        ],
        'notices' => ['id' => 'notices', 'person_id' => 'people'],
        'tasks' => ['id' => 'tasks', 'person_id' => 'people', 'record_id' => 'records'],
        'timers' => ['id' => 'timers'],
        'rehearsed_runs' => ['id' => 'rehearsed_runs', 'run' => 'runs', 'person_id' => 'people', 'record_id' => 'records'],
        'rehearsed_texts' => ['id' => 'rehearsed_texts', 'run' => 'runs', 'person_id' => 'people', 'record_id' => 'records'],
        'coming_texts' => [
            'id' => 'coming_texts', 'person_id' => 'people', 'run_id' => 'runs', 'record_id' => 'records', 'message_id' => 'messages',
        ],
    ];

    /** What must not be there twice, and gets a mark of its own in each repetition. */
    private const MARKED = [
        'numbers' => ['e164'], 'consents' => ['number'], 'records' => ['external_id'], 'runs' => ['occasion', 'number'],
        'messages' => ['key', 'number', 'carrier_ref'], 'links' => ['code'], 'notices' => ['name'], 'tasks' => ['name'],
    ];

    private const TIMED = [
        Timer::RUN => 'runs', Timer::MESSAGE => 'messages', Timer::START_PERSON => 'people', Timer::START_RECORD => 'records',
    ];

    /** @param  int  $times  how often all of it is there in the end */
    public static function seed(int $times): void
    {
        /** @var list<string> $tables */
        $tables = array_keys(self::POINTS);
        $shift = $base = [];
        foreach ($tables as $table) {
            $shift[$table] = $table === 'links' ? 0 : (int) DB::table($table)->max('id');
        }
        $columns = array_map(fn (string $table): array => array_column(DB::select(
            DB::connection()->getDriverName() === 'sqlite'
                ? "select name from pragma_table_info('$table')"
                : "select column_name as name from information_schema.columns where table_name = '$table' and is_generated = 'NEVER'",
        ), 'name'), array_combine(array_keys(self::POINTS), array_keys(self::POINTS)));
        foreach ($tables as $table) {
            // What "links" has at first is known by its texts.
            $base[$table] = $table === 'links' ? 'message_id <= '.$shift['messages'] : "id <= $shift[$table]";
        }
        // What triggers and keys would say of each row is known: it is what they said of the first. Counted at the end.
        $isPostgres = DB::connection()->getDriverName() === 'pgsql';
        $isPostgres && DB::statement('set session_replication_role = replica');
        for ($k = 1; $k < $times; $k++) {
            DB::transaction(function () use ($k, $shift, $columns, $base): void {
                foreach (self::POINTS as $table => $points) {
                    $selected = array_map(
                        fn (string $column): string => self::column($table, $column, $points, $k, $shift),
                        $columns[$table],
                    );
                    $names = implode(', ', array_map(fn (string $column): string => "\"$column\"", $columns[$table]));
                    $only = $table === 'timers' ? ' and kind <> \''.Timer::CALENDAR.'\'' : '';
                    DB::insert("insert into $table ($names) select ".implode(', ', $selected)." from $table where {$base[$table]}$only");
                }
            });
        }
        if ($isPostgres) {
            DB::statement('set session_replication_role = default');
            MessageCounts::recount();
            CountryCounts::recount();
            foreach (array_diff(array_keys(self::POINTS), ['links']) as $table) {
                DB::select("select setval(pg_get_serial_sequence('$table', 'id'), (select max(id) from $table))");
            }
        }
        DB::statement('analyze');
    }

    /**
     * @param  array<string, string>  $points
     * @param  array<string, int>  $shift
     */
    private static function column(string $table, string $column, array $points, int $k, array $shift): string
    {
        $name = "\"$column\"";
        $mark = sprintf('%03d', $k);

        return match (true) {
            isset($points[$column]) => "$name + ".$k * $shift[$points[$column]],
            in_array($column, self::MARKED[$table] ?? [], true) => "$name || '$mark'",
            // A text of a run is called by the run's number.
            $table === 'messages' && $column === 'name' => self::textName($k * $shift['runs'], $mark),
            $table === 'timers' && $column === 'subject_id' => self::subject($k, $shift),
            default => $name,
        };
    }

    private static function textName(int $runs, string $mark): string
    {
        $after = DB::connection()->getDriverName() === 'sqlite' ? "substr(name, instr(name, '/'))" : "substr(name, strpos(name, '/'))";

        return "case when run_id is null then name || '$mark' else cast(run_id + $runs as varchar) || $after end";
    }

    /** @param  array<string, int>  $shift */
    private static function subject(int $k, array $shift): string
    {
        $cases = array_map(
            fn (string $kind, string $table): string => "when '$kind' then ".$k * $shift[$table],
            array_keys(self::TIMED),
            array_values(self::TIMED),
        );

        return 'subject_id + case kind '.implode(' ', $cases).' else 0 end';
    }
}
