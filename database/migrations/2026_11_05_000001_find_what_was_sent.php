<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Sent finds texts by their reason, and keeps what it was asked for under a name. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('messages', function (Blueprint $table): void {
            // What the database works out by itself.
            DB::getDriverName() === 'pgsql'
                ? $table->string('reason_code', 60)->nullable()->storedAs("(reason->>'code')")
                : $table->string('reason_code', 60)->nullable()->virtualAs("json_extract(reason, '$.code')");
        });
        DB::statement('create index messages_reason_code on messages (reason_code, at)');
        Schema::create('sent_filters', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->json('asked');
            $table->foreignId('staff_id')->nullable()->index()->constrained('staff');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('sent_filters');
        DB::statement('drop index if exists messages_reason_code');
        Schema::table('messages', fn (Blueprint $table) => $table->dropColumn('reason_code'));
    }
};
