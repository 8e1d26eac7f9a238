<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Staff are invited, choose a password of their own, and are switched off when they leave. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('staff', function (Blueprint $table): void {
            // Of the link they were sent; it leads to a password once.
            $table->string('invited_hash', 64)->nullable()->unique();
            $table->dateTime('invited_until')->nullable();
            $table->dateTime('off_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('staff', function (Blueprint $table): void {
            $table->dropUnique(['invited_hash']);
            $table->dropColumn(['invited_hash', 'invited_until', 'off_at']);
        });
    }
};
