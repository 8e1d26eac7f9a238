<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Texts that somebody typed and that leave at a moment of their choosing; they stand among what is coming. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('scheduled_texts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained()->cascadeOnDelete();
            $table->foreignId('line_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('number', 20);
            $table->text('body');
            // Null where it could not be worked out, until somebody has it tried again.
            $table->dateTime('leaves_at')->nullable();
            $table->dateTime('at');
            $table->index(['leaves_at', 'id']);
            $table->index(['person_id', 'leaves_at']);
            $table->index('line_id');
            $table->index('staff_id');
        });
        Schema::table('coming_texts', function (Blueprint $table): void {
            // Null where no rule wants it.
            $table->unsignedBigInteger('rule_id')->nullable()->change();
            $table->unsignedBigInteger('scheduled_text_id')->nullable();
        });
    }

    public function down(): void
    {
        DB::table('coming_texts')->whereNull('rule_id')->delete();
        Schema::table('coming_texts', function (Blueprint $table): void {
            $table->dropColumn('scheduled_text_id');
            $table->unsignedBigInteger('rule_id')->change();
        });
        Schema::dropIfExists('scheduled_texts');
    }
};
