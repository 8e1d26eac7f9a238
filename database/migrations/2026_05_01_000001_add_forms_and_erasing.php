<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('consents', function (Blueprint $table): void {
            // The address a form was sent from.
            $table->string('from', 45)->nullable();
        });

        Schema::table('people', function (Blueprint $table): void {
            // The line their conversation is locked to.
            $table->foreignId('line_id')->nullable();
        });

        Schema::table('messages', function (Blueprint $table): void {
            // Of a rule's text: when they wrote back, and whether that was a stop.
            $table->dateTime('answered_at')->nullable();
            $table->boolean('ended')->default(false);
            $table->index(['rule_id', 'step', 'wording', 'left_at']);
            $table->index(['line_id', 'left_at']);
            $table->index(['line_id', 'state']);
        });

        Schema::table('forms', function (Blueprint $table): void {
            $table->text('thanks')->nullable();
        });

        // Asked by text whether they meant it, and what they said.
        Schema::create('confirmations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('form_id')->constrained('forms');
            $table->foreignId('person_id')->constrained('people');
            $table->string('number');
            $table->text('wording');
            $table->string('from', 45)->nullable();
            $table->dateTime('at');
            $table->dateTime('confirmed_at')->nullable();
            $table->index(['number', 'confirmed_at', 'at']);
            $table->index('at');
        });

        // Of numbers whose people were erased: enough to know a stop again, too little to know the number.
        Schema::create('fingerprints', function (Blueprint $table): void {
            $table->string('hash', 64)->primary();
            $table->dateTime('at');
        });
    }
};
