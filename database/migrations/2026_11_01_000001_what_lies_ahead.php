<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The texts that may leave, as the engine says they would; kept for each person, and worked out anew when something about them changes. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('coming_texts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained()->cascadeOnDelete();
            $table->foreignId('rule_id')->constrained();
            // Null where its run has not begun.
            $table->unsignedBigInteger('run_id')->nullable();
            $table->unsignedBigInteger('record_id')->nullable()->index();
            $table->unsignedBigInteger('record_type_id')->nullable();
            // Null where it has not been asked for yet.
            $table->unsignedBigInteger('message_id')->nullable();
            $table->unsignedBigInteger('line_id')->nullable();
            $table->string('name', 80);
            // What the text is called on its rule's page.
            $table->string('letter', 8);
            $table->string('wording', 60);
            $table->string('kind', 20);
            $table->string('zone', 60);
            $table->dateTime('wanted_at');
            // Null where somebody has to act first.
            $table->dateTime('leaves_at')->nullable();
            // Of the business's own clock, as YYYY-MM-DDTHH.
            $table->string('hour', 13)->nullable();
            $table->string('held', 60)->nullable();
            $table->json('reason')->nullable();
            $table->json('hangs_on');
            $table->text('body');
            $table->unsignedSmallInteger('parts');
            $table->unsignedBigInteger('price_micros');
            $table->string('currency', 3);
            $table->index(['hour', 'rule_id', 'line_id', 'record_type_id', 'held', 'price_micros'], 'coming_texts_counted');
            $table->index(['leaves_at', 'id']);
            $table->index(['rule_id', 'leaves_at']);
            $table->index(['rule_id', 'hour', 'held', 'price_micros']);
            $table->index(['held', 'leaves_at']);
            $table->index(['person_id', 'leaves_at']);
            $table->index(['run_id', 'leaves_at']);
        });
        Schema::create('forecast_marks', function (Blueprint $table): void {
            $table->unsignedBigInteger('person_id')->primary();
            $table->unsignedInteger('turn')->default(1);
            $table->dateTime('since');
        });
        Schema::create('forecast_states', function (Blueprint $table): void {
            $table->id();
            // Of what holds for everybody, and the day: when either becomes another, everybody is gone through.
            $table->string('stamp', 64);
            $table->date('day')->nullable();
            // How far everybody has been gone through; null where it is done.
            $table->unsignedBigInteger('cursor')->nullable();
            $table->dateTime('cursor_since')->nullable();
            $table->string('leased_by', 40)->nullable();
            $table->dateTime('leased_until')->nullable();
        });
        DB::table('forecast_states')->insert(['stamp' => '']);
    }

    public function down(): void
    {
        Schema::dropIfExists('forecast_states');
        Schema::dropIfExists('forecast_marks');
        Schema::dropIfExists('coming_texts');
    }
};
