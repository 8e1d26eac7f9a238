<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** As before: what is written for every text that leaves keeps no index that few of them need, or nobody asks. */
return new class extends Migration
{
    private const FEW = [
        'traces_message_id_id_index' => ['traces', 'message_id, id', 'message_id'],
        'traces_record_id_index' => ['traces', 'record_id', 'record_id'],
        'runs_record_id_live_index' => ['runs', 'record_id, live', 'record_id'],
        'runs_line_id_index' => ['runs', 'line_id', 'line_id'],
    ];

    private const UNASKED = [
        'messages_line_id_state_index' => 'messages (line_id, state)', 'messages_at_id_index' => 'messages (at, id)',
        'messages_person_id_line_id_origin_state_index' => 'messages (person_id, line_id, origin, state)',
        'runs_person_id_asked_at_index' => 'runs (person_id, asked_at)',
    ];

    public function up(): void
    {
        foreach (self::FEW as $name => [$table, $columns, $has]) {
            DB::statement("drop index if exists $name");
            DB::statement("create index $name on $table ($columns) where $has is not null");
        }
        // With whom it went to, and why: what is counted of people by it is read from it alone.
        DB::statement('drop index if exists messages_line_id_left_at_index');
        DB::statement('create index messages_line_id_left_at_index on messages (line_id, left_at, origin, person_id)');
        // Those that wait, in their order: not looked for among all that ever went.
        DB::statement('drop index if exists messages_kept_id');
        DB::statement("create index messages_kept_id on messages (id) where state in ('waiting', 'set_aside')");
        foreach (self::UNASKED as $name => $index) {
            DB::statement("drop index if exists $name");
        }
    }

    public function down(): void
    {
        foreach (self::FEW as $name => [$table, $columns]) {
            DB::statement("drop index if exists $name");
            DB::statement("create index $name on $table ($columns)");
        }
        DB::statement('drop index if exists messages_kept_id');
        DB::statement('drop index if exists messages_line_id_left_at_index');
        DB::statement('create index messages_line_id_left_at_index on messages (line_id, left_at)');
        foreach (self::UNASKED as $name => $index) {
            DB::statement("create index $name on $index");
        }
    }
};
