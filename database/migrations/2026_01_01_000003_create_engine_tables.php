<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('rules', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('power');
            $table->json('draft')->nullable();
            $table->unsignedBigInteger('version_id')->nullable();
            $table->dateTime('on_since')->nullable();
            $table->index(['power', 'id']);
        });

        Schema::create('rule_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->constrained('rules');
            $table->unsignedInteger('number');
            $table->json('document');
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->dateTime('at');
            $table->unique(['rule_id', 'number']);
        });

        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->constrained('rules');
            $table->foreignId('rule_version_id')->constrained('rule_versions');
            $table->foreignId('person_id')->constrained('people');
            $table->foreignId('record_id')->constrained('records');
            $table->foreignId('line_id')->nullable()->constrained('lines');
            // One run for one occasion of one rule, whatever arrives twice or crashes.
            $table->string('occasion');
            $table->json('state');
            $table->boolean('live');
            $table->string('outcome')->nullable();
            $table->dateTime('began_at');
            $table->dateTime('ended_at')->nullable();
            $table->unique(['rule_id', 'occasion']);
            $table->index(['person_id', 'live', 'id']);
            $table->index(['rule_id', 'live', 'id']);
            $table->index(['rule_id', 'person_id', 'id']);
        });

        Schema::create('timers', function (Blueprint $table): void {
            $table->id();
            $table->string('kind');
            $table->unsignedBigInteger('subject_id');
            // Null: waits for somebody to act, such as a rule to be switched on again.
            $table->dateTime('due_at')->nullable();
            $table->unique(['kind', 'subject_id']);
            $table->index(['due_at', 'id']);
        });

        Schema::create('conversations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people');
            $table->foreignId('line_id')->constrained('lines');
            $table->dateTime('waiting_since')->nullable();
            $table->unsignedBigInteger('last_message_id')->nullable();
            $table->dateTime('last_at');
            $table->unique(['person_id', 'line_id']);
            $table->index(['waiting_since', 'id']);
            $table->index(['last_at', 'id']);
        });

        Schema::create('messages', function (Blueprint $table): void {
            $table->id();
            // run/step/round for a rule's text: recorded once.
            $table->string('name')->unique();
            $table->string('origin');
            $table->string('state');
            $table->foreignId('person_id')->constrained('people');
            $table->foreignId('line_id')->constrained('lines');
            $table->foreignId('conversation_id')->nullable()->constrained('conversations');
            $table->foreignId('run_id')->nullable()->constrained('runs');
            $table->foreignId('rule_id')->nullable()->constrained('rules');
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->string('step')->nullable();
            $table->string('kind')->nullable();
            $table->string('number')->nullable();
            $table->text('template')->nullable();
            $table->text('body');
            $table->string('meaning')->nullable();
            $table->string('encoding')->nullable();
            $table->unsignedInteger('parts')->default(0);
            $table->unsignedBigInteger('price_micros')->default(0);
            $table->string('currency', 3)->nullable();
            $table->json('reason')->nullable();
            $table->json('verdicts')->nullable();
            $table->dateTime('wanted_at');
            $table->dateTime('left_at')->nullable();
            $table->dateTime('handed_at')->nullable();
            $table->dateTime('fate_at')->nullable();
            $table->string('carrier_ref')->nullable();
            $table->unsignedInteger('attempts')->default(0);
            $table->dateTime('retry_at')->nullable();
            // What every list is ordered by: when it left, or was wanted.
            $table->dateTime('at');
            $table->index(['state', 'id']);
            $table->index(['state', 'at', 'id']);
            $table->index(['at', 'id']);
            $table->index(['conversation_id', 'at', 'id']);
            $table->index(['person_id', 'at', 'id']);
            $table->index(['person_id', 'line_id', 'origin', 'state']);
            $table->index(['run_id', 'id']);
            $table->index(['rule_id', 'at']);
            $table->index(['number', 'left_at']);
        });

        Schema::create('receipts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('message_id')->constrained('messages');
            $table->string('fate');
            $table->string('detail')->nullable();
            $table->dateTime('at', 3);
            $table->unique(['message_id', 'fate']);
        });

        Schema::create('traces', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->nullable()->constrained('people');
            $table->foreignId('rule_id')->nullable()->constrained('rules');
            $table->foreignId('run_id')->nullable()->constrained('runs');
            $table->foreignId('record_id')->nullable()->constrained('records');
            $table->unsignedBigInteger('message_id')->nullable();
            $table->string('code');
            $table->json('with');
            $table->dateTime('at');
            $table->index(['person_id', 'id']);
            $table->index(['run_id', 'id']);
            $table->index(['message_id', 'id']);
        });
    }
};
