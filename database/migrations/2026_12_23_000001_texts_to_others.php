<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A text that comes to one person may be foreseen with another, whose record it is about. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('coming_texts', fn (Blueprint $table) => $table->unsignedBigInteger('about_person_id')->default(0)->index());
        DB::table('coming_texts')->update(['about_person_id' => DB::raw('person_id')]);
    }

    public function down(): void
    {
        Schema::table('coming_texts', fn (Blueprint $table) => $table->dropColumn('about_person_id'));
    }
};
