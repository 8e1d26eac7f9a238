<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('forms', function (Blueprint $table): void {
            // What it asks for besides name and number: fields of people, and of the record it adds.
            $table->json('asks')->nullable();
            $table->string('adds', 60)->nullable();
            $table->string('colour', 7)->nullable();
            $table->json('origins')->nullable();
            $table->string('back', 300)->nullable();
        });
        Schema::create('form_wordings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('form_id')->index();
            $table->text('wording')->nullable();
            $table->foreignId('staff_id')->nullable()->index();
            $table->timestamp('at');
        });
        Schema::create('form_sends', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('form_id');
            $table->foreignId('person_id')->index();
            $table->foreignId('record_id')->nullable()->index();
            $table->boolean('agreed');
            $table->timestamp('at');
            $table->index(['form_id', 'at']);
        });
        foreach (DB::table('forms')->whereNotNull('wording')->get(['id', 'wording']) as $form) {
            DB::table('form_wordings')->insert(['form_id' => $form->id, 'wording' => $form->wording, 'at' => gmdate('Y-m-d H:i:s')]);
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('form_sends');
        Schema::dropIfExists('form_wordings');
        Schema::table('forms', fn (Blueprint $table) => $table->dropColumn(['asks', 'adds', 'colour', 'origins', 'back']));
    }
};
