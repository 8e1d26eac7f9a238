<?php

use App\Counts\AccountOffsets;
use App\Models\Business;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Counts of texts, kept as they arise: whatever writes a text, by whatever way, the database counts it in the same transaction. On
 * PostgreSQL each connection counts in a part of its own, so that workers do not wait for one another over a number.
 */
return new class extends Migration
{
    private const KEY = ['rule_id', 'rule_version_id', 'step', 'wording', 'line_id', 'origin', 'state', 'day', 'part'];

    private const COUNTED = ['texts', 'parts', 'price_micros', 'answered', 'ended', 'opened', 'met'];

    public function up(): void
    {
        Schema::create('account_offsets', function (Blueprint $table): void {
            $table->dateTime('begins_at')->primary();
            $table->integer('seconds');
            $table->string('zone', 60);
        });
        Schema::table('messages', function (Blueprint $table): void {
            $table->unsignedBigInteger('rule_version_id')->nullable();
        });
        DB::statement('update messages set rule_version_id = (select rule_version_id from runs where runs.id = messages.run_id) where run_id is not null');
        $this->troubled();
        Schema::create('message_counts', function (Blueprint $table): void {
            $table->unsignedBigInteger('rule_id');
            $table->unsignedBigInteger('rule_version_id');
            $table->string('step', 60);
            $table->string('wording', 60);
            $table->unsignedBigInteger('line_id');
            $table->string('origin', 20);
            $table->string('state', 20);
            $table->date('day');
            $table->unsignedSmallInteger('part')->default(0);
            foreach (self::COUNTED as $what) {
                $table->bigInteger($what)->default(0);
            }
            $table->unique(self::KEY);
            $table->index(['day', 'state', 'rule_id']);
        });
        $zone = Business::query()->value('zone');
        is_string($zone) && AccountOffsets::fill($zone);
        DB::getDriverName() === 'pgsql' ? $this->onPostgres() : $this->onSqlite();
        DB::statement($this->all());
        // Few of many, each found by its like.
        foreach ([
            'messages_kept' => "messages (rule_id) where state in ('waiting', 'set_aside')",
            'messages_troubled' => 'messages (rule_id, at) where troubled',
            'messages_troubled_at' => 'messages (at) where troubled',
            'messages_troubled_status_at' => 'messages (status_at) where troubled',
            'messages_out_at' => "messages (at, id) where origin <> 'them'",
            'messages_meaning' => 'messages (meaning, at) where meaning is not null',
            'runs_stuck' => 'runs (rule_id) where stuck',
            'runs_began_outcome' => 'runs (rule_id, began_at, outcome, goal_value)',
            'labels_kind_name' => 'labels (kind, name)',
        ] as $name => $index) {
            DB::statement("create index $name on $index");
        }
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropIndex(['stuck', 'id']);
        });
    }

    /** Texts that failed, miss a value, or could not go for a reason that nobody wanted: the few that are asked for. */
    private function troubled(): void
    {
        $postgres = DB::getDriverName() === 'pgsql';
        $code = $postgres ? "(reason::json ->> 'code')" : "json_extract(reason, '$.code')";
        $wanted = implode(' or ', array_map(fn (string $like): string => "$code like '$like'", [
            'stop.%', 'goal.%', 'staff.%', 'run.%', 'gate.no_longer', 'gate.opted_out', 'gate.no_opt_in', 'gate.same_text%',
        ]));
        $is = "case when state in ('failed', 'set_aside', 'cut_off') then true when state = 'dropped' and not ($wanted) then true else false end";
        Schema::table('messages', function (Blueprint $table) use ($postgres, $is): void {
            $postgres ? $table->boolean('troubled')->storedAs($is) : $table->boolean('troubled')->virtualAs($is);
        });
    }

    private function onSqlite(): void
    {
        $watched = 'rule_id, rule_version_id, step, wording, line_id, origin, state, at, parts, price_micros, answered_at, ended';
        $changed = implode(' or ', array_map(fn (string $column): string => "old.$column is not new.$column", explode(', ', $watched)));
        DB::unprepared("create trigger message_counts_insert after insert on messages begin {$this->add('new', '+')}; end");
        DB::unprepared("create trigger message_counts_update after update of $watched on messages when $changed begin {$this->add('old', '-')}; {$this->add('new', '+')}; end");
        DB::unprepared("create trigger message_counts_delete after delete on messages begin {$this->add('old', '-')}; end");
        DB::unprepared("create trigger message_counts_opened after update of opened_at on links when (old.opened_at is null) <> (new.opened_at is null) begin {$this->opened('new')}; end");
        DB::unprepared("create trigger message_counts_link_gone after delete on links when old.opened_at is not null begin {$this->opened('old')}; end");
        DB::unprepared("create trigger message_counts_met after update of outcome on runs when (coalesce(old.outcome, '') = 'goal') <> (coalesce(new.outcome, '') = 'goal') begin {$this->met()}; end");
    }

    private function onPostgres(): void
    {
        $function = fn (string $name, string $body): bool => DB::unprepared("create or replace function $name() returns trigger language plpgsql as \$\$ begin $body; return null; end \$\$");
        $function('message_counts_messages', "if tg_op <> 'INSERT' then {$this->add('old', '-')}; end if; if tg_op <> 'DELETE' then {$this->add('new', '+')}; end if");
        $function('message_counts_links', "if tg_op = 'DELETE' then {$this->opened('old')}; else {$this->opened('new')}; end if");
        $function('message_counts_runs', $this->met());
        $watched = 'rule_id, rule_version_id, step, wording, line_id, origin, state, at, parts, price_micros, answered_at, ended';
        $changed = implode(' or ', array_map(fn (string $column): string => "old.$column is distinct from new.$column", explode(', ', $watched)));
        DB::unprepared('create trigger message_counts_insert after insert or delete on messages for each row execute function message_counts_messages()');
        DB::unprepared("create trigger message_counts_update after update of $watched on messages for each row when ($changed) execute function message_counts_messages()");
        DB::unprepared('create trigger message_counts_opened after update of opened_at on links for each row when ((old.opened_at is null) <> (new.opened_at is null)) execute function message_counts_links()');
        DB::unprepared('create trigger message_counts_link_gone after delete on links for each row when (old.opened_at is not null) execute function message_counts_links()');
        DB::unprepared("create trigger message_counts_met after update of outcome on runs for each row when ((coalesce(old.outcome, '') = 'goal') <> (coalesce(new.outcome, '') = 'goal')) execute function message_counts_runs()");
    }

    /** A row of messages, taken into the counts or out of them. */
    private function add(string $row, string $sign): string
    {
        $values = array_map(fn (string $value): string => "$sign($value)", [
            '1', "$row.parts", "$row.price_micros", "case when $row.answered_at is null then 0 else 1 end",
            "case when $row.ended then 1 else 0 end",
            "(select count(*) from (select 1 from links where message_id = $row.id and opened_at is not null limit 1) as l)",
            "(select count(*) from runs where id = $row.run_id and outcome = 'goal')",
        ]);

        return $this->counting('values ('.implode(', ', [...$this->key($row), ...$values]).')');
    }

    /** A link of a text was opened, the first of its; or such a one is gone. */
    private function opened(string $row): string
    {
        $by = $row === 'old' ? '-1' : 'case when new.opened_at is null then -1 else 1 end';
        $columns = implode(', ', [...$this->key('m'), '0', '0', '0', '0', '0', $by, '0']);

        return $this->counting("select $columns from messages m where m.id = $row.message_id
            and not exists (select 1 from links l where l.message_id = m.id and l.opened_at is not null and l.code <> $row.code)");
    }

    /** A run met its goal: that is to the credit of each of its texts. */
    private function met(): string
    {
        $by = "case when coalesce(new.outcome, '') = 'goal' then 1 else -1 end";
        $key = $this->key('m');
        $columns = implode(', ', [...$key, '0', '0', '0', '0', '0', '0', "sum($by)"]);

        return $this->counting("select $columns from messages m where m.run_id = new.id group by ".implode(', ', range(1, count($key))));
    }

    private function all(): string
    {
        $key = $this->key('m');
        $columns = implode(', ', [
            ...$key, 'count(*)', 'sum(m.parts)', 'sum(m.price_micros)', 'count(m.answered_at)', 'sum(case when m.ended then 1 else 0 end)',
            'sum((select count(*) from (select 1 from links where message_id = m.id and opened_at is not null limit 1) as l))',
            "sum(case when r.outcome = 'goal' then 1 else 0 end)",
        ]);

        return $this->into("select $columns from messages m left join runs r on r.id = m.run_id group by ".implode(', ', range(1, count($key))));
    }

    private function counting(string $rows): string
    {
        $added = implode(', ', array_map(fn (string $what): string => "$what = message_counts.$what + excluded.$what", self::COUNTED));
        // SQLite cannot tell "on conflict" from a join's "on" after a select without a "where".
        $where = str_starts_with($rows, 'select') && ! str_contains($rows, ' where ') ? ' where true' : '';

        return $this->into("$rows$where on conflict (".implode(', ', self::KEY).") do update set $added");
    }

    private function into(string $rows): string
    {
        return 'insert into message_counts ('.implode(', ', [...self::KEY, ...self::COUNTED]).") $rows";
    }

    /** @return list<string> */
    private function key(string $row): array
    {
        $postgres = DB::getDriverName() === 'pgsql';
        $offset = "coalesce((select seconds from account_offsets where begins_at <= $row.at order by begins_at desc limit 1), 0)";

        return [
            "coalesce($row.rule_id, 0)", "coalesce($row.rule_version_id, 0)", "coalesce($row.step, '')", "coalesce($row.wording, '')",
            "$row.line_id", "$row.origin", "$row.state",
            $postgres ? "($row.at + make_interval(secs => $offset))::date" : "date($row.at, $offset || ' seconds')",
            $postgres ? 'pg_backend_pid() % 64' : '0',
        ];
    }
};
