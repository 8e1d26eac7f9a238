<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('conversations', function (Blueprint $table): void {
            // Whose it is; null for whoever answers.
            $table->unsignedBigInteger('staff_id')->nullable();
            $table->dateTime('put_off_until')->nullable();
            $table->index(['staff_id', 'waiting_since']);
            $table->index(['staff_id', 'last_at', 'id']);
            $table->index(['put_off_until', 'id']);
        });
        // Counted on every page: by the index alone.
        DB::statement('create index conversations_waiting on conversations (waiting_since, put_off_until, staff_id)
            where waiting_since is not null');
        Schema::table('notices', function (Blueprint $table): void {
            // Where it is about what was said.
            $table->unsignedBigInteger('conversation_id')->nullable()->index();
        });
        // What staff write to each other about somebody, never to them.
        Schema::create('notes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id');
            $table->foreignId('conversation_id')->nullable()->index();
            $table->foreignId('staff_id')->nullable()->index();
            // Whom the conversation was handed to with it.
            $table->foreignId('handed_to_id')->nullable()->index();
            $table->text('words');
            $table->dateTime('at');
            $table->index(['person_id', 'at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('notes');
        DB::statement('drop index if exists conversations_waiting');
        Schema::table('notices', function (Blueprint $table): void {
            $table->dropIndex(['conversation_id']);
            $table->dropColumn('conversation_id');
        });
        Schema::table('conversations', function (Blueprint $table): void {
            $table->dropIndex(['staff_id', 'waiting_since']);
            $table->dropIndex(['staff_id', 'last_at', 'id']);
            $table->dropIndex(['put_off_until', 'id']);
            $table->dropColumn(['staff_id', 'put_off_until']);
        });
    }
};
