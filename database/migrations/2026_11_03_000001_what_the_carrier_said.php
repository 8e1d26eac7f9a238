<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The carrier's last answer to each text, word for word: shown on the text's own page. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('messages', fn (Blueprint $table) => $table->string('carrier_said', 500)->nullable());
    }

    public function down(): void
    {
        Schema::table('messages', fn (Blueprint $table) => $table->dropColumn('carrier_said'));
    }
};
