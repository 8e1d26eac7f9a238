<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A text that somebody lets go counts as let go from a moment on, until which that can be undone. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('messages', fn (Blueprint $table) => $table->dateTime('release_at')->nullable());
    }

    public function down(): void
    {
        Schema::table('messages', fn (Blueprint $table) => $table->dropColumn('release_at'));
    }
};
