<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('texts_to_several', function (Blueprint $table): void {
            $table->id();
            // What it does: a rule with versions and traces like any other.
            $table->foreignId('rule_id')->unique();
            $table->foreignId('staff_id')->index();
            // To those that were ticked; else to an audience.
            $table->boolean('ticked')->default(false);
            // As soon as it is let go; else at the moment its rule says.
            $table->boolean('at_once')->default(true);
            $table->timestamp('at')->index();
            $table->timestamp('let_go_at')->nullable();
            // What the list of those who get it was worked out of, and how far it has come.
            $table->string('stamp', 64)->nullable();
            $table->unsignedBigInteger('cursor')->nullable();
            $table->unsignedInteger('of')->default(0);
            $table->timestamp('worked_at')->nullable();
        });
        Schema::create('several_people', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('several_id');
            $table->foreignId('person_id')->index();
            $table->unsignedBigInteger('record_id')->default(0)->index();
            // "gets" or "waits"; else the code of why not; null where nobody has asked yet.
            $table->string('outcome', 60)->nullable();
            $table->json('reason')->nullable();
            $table->string('zone', 60)->nullable();
            $table->foreignId('line_id')->nullable();
            $table->timestamp('wanted_at')->nullable();
            $table->timestamp('leaves_at')->nullable();
            $table->text('body')->nullable();
            $table->unsignedSmallInteger('parts')->default(0);
            $table->unsignedBigInteger('price_micros')->default(0);
            $table->unique(['several_id', 'person_id', 'record_id']);
            $table->index(['several_id', 'outcome', 'leaves_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('several_people');
        Schema::dropIfExists('texts_to_several');
    }
};
