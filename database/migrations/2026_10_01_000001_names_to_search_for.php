<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const COLUMNS = [
        'messages' => ['fate_at' => 'status_at'],
        'numbers' => ['doubt_message_id' => 'ambiguous_opt_out_message_id'],
        'rules' => ['arming_after' => 'start_cursor', 'calling_at' => 'broadcast_at', 'calling_after' => 'broadcast_cursor'],
    ];

    public function up(): void
    {
        Schema::rename('errands', 'outbound_tasks');
        Schema::rename('departures', 'send_slots');
        foreach (self::COLUMNS as $table => $names) {
            Schema::table($table, function (Blueprint $change) use ($names): void {
                foreach ($names as $old => $new) {
                    $change->renameColumn($old, $new);
                }
            });
        }
        DB::table('changes')->where('kind', 'fate_known')->update(['kind' => 'status_reported']);
        foreach (['given_up', 'no_mail', 'missing'] as $code) {
            DB::table('traces')->where('code', "errand.$code")->update(['code' => "outbound_task.$code"]);
            DB::table('outbound_tasks')->where('reason->code', "errand.$code")->update(['reason->code' => "outbound_task.$code"]);
        }
    }
};
