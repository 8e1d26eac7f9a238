<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('staff', fn (Blueprint $table) => $table->boolean('texted')->default(false));
        // A mailbox that hears of it where nobody owns the conversation, such as one that several look into.
        Schema::table('lines', fn (Blueprint $table) => $table->string('tells', 190)->nullable());
    }

    public function down(): void
    {
        Schema::table('lines', fn (Blueprint $table) => $table->dropColumn('tells'));
        Schema::table('staff', fn (Blueprint $table) => $table->dropColumn('texted'));
    }
};
