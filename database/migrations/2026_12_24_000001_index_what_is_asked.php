<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** As before: what is written for every text that leaves keeps no index that few of them need, or nobody asks. */
return new class extends Migration
{
    private const FEW = [
        'traces_message_id_id_index' => ['traces', 'message_id, id', 'message_id'],
        'traces_record_id_index' => ['traces', 'record_id', 'record_id'],
        'runs_record_id_live_index' => ['runs', 'record_id, live', 'record_id'],
        'runs_line_id_index' => ['runs', 'line_id', 'line_id'],
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
        // Asked of the few that wait, and of none that came in.
        DB::statement('drop index if exists messages_waiting');
        DB::statement("create index messages_waiting on messages (line_id) where state = 'waiting'");
        foreach (['messages_line_id_state_index', 'messages_at_id_index', 'runs_person_id_asked_at_index'] as $unasked) {
            DB::statement("drop index if exists $unasked");
        }
    }

    public function down(): void
    {
        foreach (self::FEW as $name => [$table, $columns]) {
            DB::statement("drop index if exists $name");
            DB::statement("create index $name on $table ($columns)");
        }
        DB::statement('drop index if exists messages_waiting');
        DB::statement('drop index if exists messages_line_id_left_at_index');
        DB::statement('create index messages_line_id_left_at_index on messages (line_id, left_at)');
        Schema::table('runs', function (Blueprint $table): void {
            $table->index(['person_id', 'asked_at']);
        });
        Schema::table('messages', function (Blueprint $table): void {
            $table->index(['line_id', 'state']);
            $table->index(['at', 'id']);
        });
    }
};
