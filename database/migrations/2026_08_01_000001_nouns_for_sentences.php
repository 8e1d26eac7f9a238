<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('fields', function (Blueprint $table): void {
            // What it is in a sentence, without an article, where its name will not do.
            $table->string('noun', 60)->nullable();
        });
        Schema::table('record_types', function (Blueprint $table): void {
            $table->string('person_noun', 40)->nullable();
        });
    }
};
