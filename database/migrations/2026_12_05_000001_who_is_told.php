<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('staff', function (Blueprint $table): void {
            // When they are there, by the business's clock; null for always.
            $table->json('hours')->nullable();
            $table->dateTime('away_until')->nullable();
            $table->unsignedBigInteger('stand_in_id')->nullable()->index();
            $table->boolean('mailed')->default(true);
        });
        Schema::create('line_staff', function (Blueprint $table): void {
            $table->foreignId('line_id');
            $table->foreignId('staff_id')->index();
            $table->primary(['line_id', 'staff_id']);
        });
        // Who is told that somebody waits for an answer: once for all that is written until then.
        Schema::create('reply_notices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id');
            $table->foreignId('staff_id')->index();
            $table->dateTime('due_at');
            $table->dateTime('told_at')->nullable();
            $table->unique(['conversation_id', 'staff_id']);
            $table->index(['told_at', 'due_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('reply_notices');
        Schema::dropIfExists('line_staff');
        Schema::table('staff', function (Blueprint $table): void {
            $table->dropIndex(['stand_in_id']);
            $table->dropColumn(['hours', 'away_until', 'stand_in_id', 'mailed']);
        });
    }
};
