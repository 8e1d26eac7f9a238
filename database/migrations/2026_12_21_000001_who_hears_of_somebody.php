<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** One of us may be told of whatever somebody writes, on whichever line. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('people', fn (Blueprint $table) => $table->foreignId('hears_staff_id')->nullable()->index());
    }

    public function down(): void
    {
        Schema::table('people', fn (Blueprint $table) => $table->dropColumn('hears_staff_id'));
    }
};
