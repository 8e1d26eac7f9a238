<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Each index costs every text that is written: what most of them have not is no longer kept for all, what nobody asks for is gone. */
return new class extends Migration
{
    private const FEW = [
        'messages_staff_id_index' => ['staff_id', 'staff_id'],
        'messages_carrier_ref_index' => ['carrier_ref', 'carrier_ref'],
        'messages_put_to_run_id_id_index' => ['put_to_run_id, id', 'put_to_run_id'],
        'messages_reason_code' => ['reason_code, at', 'reason_code'],
        'messages_line_id_fate_at_index' => ['line_id, status_at', 'status_at'],
    ];

    public function up(): void
    {
        foreach (self::FEW as $name => [$columns, $has]) {
            DB::statement("drop index if exists $name");
            DB::statement("create index $name on messages ($columns) where $has is not null");
        }
        DB::statement('drop index if exists messages_wordings_wording_index');
        DB::statement('drop index if exists messages_state_fate_at_index');
    }

    public function down(): void
    {
        foreach (self::FEW as $name => [$columns]) {
            DB::statement("drop index if exists $name");
            DB::statement("create index $name on messages ($columns)");
        }
        Schema::table('messages', function (Blueprint $table): void {
            $table->index(['wordings', 'wording'], 'messages_wordings_wording_index');
            $table->index(['state', 'status_at'], 'messages_state_fate_at_index');
        });
    }
};
