<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('tasks', function (Blueprint $table): void {
            $table->index(['staff_id', 'done_at', 'due_at']);
            $table->index(['person_id', 'done_at']);
        });
        // Their tasks as a calendar that others subscribe to: the fingerprint of the secret in its address.
        Schema::table('staff', fn (Blueprint $table) => $table->string('tasks_hash', 64)->nullable()->unique());
    }

    public function down(): void
    {
        Schema::table('staff', function (Blueprint $table): void {
            $table->dropUnique(['tasks_hash']);
            $table->dropColumn('tasks_hash');
        });
        Schema::table('tasks', function (Blueprint $table): void {
            $table->dropIndex(['staff_id', 'done_at', 'due_at']);
            $table->dropIndex(['person_id', 'done_at']);
        });
    }
};
