<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** As with texts: a run and what is said of it are written for every text that leaves, and most have neither record nor line. */
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
        DB::statement('drop index if exists runs_person_id_asked_at_index');
    }

    public function down(): void
    {
        foreach (self::FEW as $name => [$table, $columns]) {
            DB::statement("drop index if exists $name");
            DB::statement("create index $name on $table ($columns)");
        }
        Schema::table('runs', function (Blueprint $table): void {
            $table->index(['person_id', 'asked_at']);
        });
    }
};
