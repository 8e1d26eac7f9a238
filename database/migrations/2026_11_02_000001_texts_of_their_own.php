<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What somebody decided of one text of one person, where its run has not begun; that of a run under way stands in the run. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('own_texts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->index()->constrained();
            $table->foreignId('person_id')->index()->constrained()->cascadeOnDelete();
            // 0 where it is about the person alone.
            $table->unsignedBigInteger('record_id')->default(0);
            $table->string('name', 80);
            $table->json('own');
            $table->dateTime('at');
            $table->unique(['rule_id', 'person_id', 'record_id', 'name']);
        });
        Schema::table('coming_texts', function (Blueprint $table): void {
            $table->text('template')->nullable();
            $table->json('own')->nullable();
            $table->boolean('left_out')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('coming_texts', fn (Blueprint $table) => $table->dropColumn(['template', 'own', 'left_out']));
        Schema::dropIfExists('own_texts');
    }
};
