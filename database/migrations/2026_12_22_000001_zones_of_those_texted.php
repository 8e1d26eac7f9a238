<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A number may mean several zones: decent hours are asked of all of them when a text takes its turn. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('several_people', fn (Blueprint $table) => $table->json('zones')->nullable());
    }

    public function down(): void
    {
        Schema::table('several_people', fn (Blueprint $table) => $table->dropColumn('zones'));
    }
};
