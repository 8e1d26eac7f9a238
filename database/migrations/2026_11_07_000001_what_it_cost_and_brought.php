<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Results tell which answers came to which question, how fast, and what texts to each country cost. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('messages', function (Blueprint $table): void {
            $table->unsignedBigInteger('put_to_rule_id')->nullable();
            $table->string('put_to_step', 60)->nullable();
        });
        DB::statement('update messages set
            put_to_rule_id = (select rule_id from runs where runs.id = messages.put_to_run_id),
            put_to_step = (select q.step from messages q where q.run_id = messages.put_to_run_id and q.expects_reply and q.at <= messages.at
                order by q.at desc, q.id desc limit 1)
            where put_to_run_id is not null');
        DB::statement('create index messages_put_to on messages (put_to_rule_id, put_to_step, answer, put_to_run_id, at)
            where put_to_rule_id is not null');
        DB::statement('create index messages_answered on messages (rule_id, at, left_at, answered_at) where answered_at is not null');
        Schema::create('country_counts', function (Blueprint $table): void {
            $table->date('day');
            $table->string('country', 2);
            $table->unsignedSmallInteger('part')->default(0);
            foreach (['texts', 'parts', 'price_micros'] as $what) {
                $table->bigInteger($what)->default(0);
            }
            $table->unique(['day', 'country', 'part']);
        });
        DB::getDriverName() === 'pgsql' ? $this->onPostgres() : $this->onSqlite();
        DB::statement("insert into country_counts (day, country, part, texts, parts, price_micros)
            select {$this->day('m')}, coalesce((select country from numbers where e164 = m.number), ''), 0, count(*), sum(m.parts), sum(m.price_micros)
            from messages m where m.state in ('handed', 'arrived') group by 1, 2");
    }

    /** Counted where they have gone out; that they arrived changes nothing. */
    private function onSqlite(): void
    {
        $was = "old.state in ('handed', 'arrived')";
        $is = "new.state in ('handed', 'arrived')";
        $other = 'old.price_micros is not new.price_micros or old.parts is not new.parts or old.at is not new.at or old.number is not new.number';
        DB::unprepared("create trigger country_counts_insert after insert on messages when $is begin {$this->add('new', '+')}; end");
        DB::unprepared("create trigger country_counts_delete after delete on messages when $was begin {$this->add('old', '-')}; end");
        DB::unprepared("create trigger country_counts_gone after update of state on messages when $is and not ($was) begin {$this->add('new', '+')}; end");
        DB::unprepared("create trigger country_counts_back after update of state on messages when $was and not ($is) begin {$this->add('old', '-')}; end");
        DB::unprepared("create trigger country_counts_other after update of price_micros, parts, at, number on messages
            when $was and $is and ($other)
            begin {$this->add('old', '-')}; {$this->add('new', '+')}; end");
    }

    private function onPostgres(): void
    {
        $left = "in ('handed', 'arrived')";
        DB::unprepared("create or replace function country_counts_messages() returns trigger language plpgsql as \$\$ begin
            if tg_op <> 'INSERT' and old.state $left then {$this->add('old', '-')}; end if;
            if tg_op <> 'DELETE' and new.state $left then {$this->add('new', '+')}; end if;
            return null; end \$\$");
        DB::unprepared('create trigger country_counts_new after insert or delete on messages for each row execute function country_counts_messages()');
        DB::unprepared("create trigger country_counts_update after update of state, price_micros, parts, at, number on messages for each row
            when ((old.state $left) <> (new.state $left) or ((new.state $left) and (old.price_micros, old.parts, old.at, old.number)
            is distinct from (new.price_micros, new.parts, new.at, new.number))) execute function country_counts_messages()");
    }

    private function add(string $row, string $sign): string
    {
        $part = DB::getDriverName() === 'pgsql' ? 'pg_backend_pid() % 64' : '0';

        return "insert into country_counts (day, country, part, texts, parts, price_micros) values ({$this->day($row)},
            coalesce((select country from numbers where e164 = $row.number), ''), $part,
            $sign(1), $sign($row.parts), $sign($row.price_micros))
            on conflict (day, country, part) do update set texts = country_counts.texts + excluded.texts,
            parts = country_counts.parts + excluded.parts, price_micros = country_counts.price_micros + excluded.price_micros";
    }

    private function day(string $row): string
    {
        $offset = "coalesce((select seconds from account_offsets where begins_at <= $row.at order by begins_at desc limit 1), 0)";

        return DB::getDriverName() === 'pgsql' ? "($row.at + make_interval(secs => $offset))::date" : "date($row.at, $offset || ' seconds')";
    }

    public function down(): void
    {
        if (DB::getDriverName() === 'pgsql') {
            DB::unprepared('drop function if exists country_counts_messages() cascade');
        }
        foreach (['insert', 'delete', 'gone', 'back', 'other'] as $name) {
            DB::getDriverName() === 'pgsql' || DB::unprepared("drop trigger if exists country_counts_$name");
        }
        Schema::dropIfExists('country_counts');
        foreach (['messages_put_to', 'messages_answered'] as $index) {
            DB::statement("drop index if exists $index");
        }
        Schema::table('messages', fn (Blueprint $table) => $table->dropColumn(['put_to_rule_id', 'put_to_step']));
    }
};
