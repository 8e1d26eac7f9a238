<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Lines that stand in for one another go by a name, which rules send from. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('lines', fn (Blueprint $table) => $table->string('pool', 60)->nullable());
    }

    public function down(): void
    {
        Schema::table('lines', fn (Blueprint $table) => $table->dropColumn('pool'));
    }
};
