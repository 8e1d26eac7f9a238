<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('businesses', function (Blueprint $table): void {
            $table->json('holidays')->default('[]');
            $table->boolean('leap_to_march')->default(false);
        });

        Schema::table('staff', function (Blueprint $table): void {
            $table->string('number')->nullable();
            $table->boolean('texts_allowed')->default(true);
        });

        Schema::table('lines', function (Blueprint $table): void {
            // Null: a name, which cannot be answered.
            $table->string('number')->nullable()->change();
            $table->string('purpose')->nullable();
            $table->json('pace')->nullable();
            $table->json('hours')->nullable();
            $table->json('countries')->nullable();
            $table->foreignId('staff_id')->nullable();
            // The last texts whose fate is known, and those of them that count against the line.
            $table->unsignedInteger('attempts')->default(0);
            $table->unsignedInteger('failed')->default(0);
            // Fates before this message count no more: somebody has switched the line on again.
            $table->unsignedBigInteger('well_since_message')->default(0);
            $table->json('problem')->nullable();
        });

        // When texts left a line or will, numbered in their order: how far back a window reaches is found by number.
        Schema::create('departures', function (Blueprint $table): void {
            $table->unsignedBigInteger('line_id');
            $table->unsignedBigInteger('number');
            $table->dateTime('at');
            $table->primary(['line_id', 'number']);
        });

        Schema::create('spent_days', function (Blueprint $table): void {
            $table->date('day')->primary();
            $table->unsignedBigInteger('micros')->default(0);
        });

        Schema::table('numbers', function (Blueprint $table): void {
            // They wrote what reads like a stop, and nobody has decided yet.
            $table->unsignedBigInteger('doubt_message_id')->nullable()->index();
        });

        Schema::create('labels', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people');
            $table->string('kind');
            $table->string('name', 60);
            // In small letters: two that differ in nothing else are one.
            $table->string('folded', 60);
            $table->unique(['person_id', 'kind', 'folded']);
            $table->index(['kind', 'folded', 'person_id']);
        });

        Schema::table('changes', function (Blueprint $table): void {
            // The rules through which it came about, and what its kind says besides.
            $table->json('cause')->nullable();
            $table->json('with')->nullable();
        });

        Schema::table('rules', function (Blueprint $table): void {
            $table->string('key', 60)->nullable()->unique();
            $table->dateTime('paused_until')->nullable();
            // How far it has come with looking at what is there already, after it was switched on.
            $table->unsignedBigInteger('arming_after')->nullable();
            // A moment of its calendar that is being gone through, and how far.
            $table->dateTime('calling_at')->nullable();
            $table->unsignedBigInteger('calling_after')->nullable();
        });

        Schema::table('runs', function (Blueprint $table): void {
            $table->foreignId('record_id')->nullable()->change();
            $table->string('number')->nullable();
            $table->json('cause')->nullable();
            $table->string('step')->nullable();
            // Since when it waits for an answer.
            $table->dateTime('asked_at')->nullable();
            // Its step is not in the version it was to move to.
            $table->boolean('stuck')->default(false);
            $table->string('goal_value')->nullable();
            $table->index(['person_id', 'asked_at']);
            $table->index(['stuck', 'id']);
            $table->index(['record_id', 'live']);
        });

        Schema::table('timers', function (Blueprint $table): void {
            $table->dropUnique(['kind', 'subject_id']);
        });
        Schema::table('timers', function (Blueprint $table): void {
            // Of those that wait for a rule to begin: which rule.
            $table->unsignedBigInteger('rule_id')->default(0);
            $table->unique(['kind', 'subject_id', 'rule_id']);
            $table->index(['rule_id', 'id']);
        });

        // An automatic text has gone out in it: the next one says no more who writes and how to stop.
        Schema::table('conversations', function (Blueprint $table): void {
            $table->boolean('opened')->default(false);
        });
        DB::table('conversations')
            ->whereIn('id', DB::table('messages')->where('origin', 'rule')->whereNotNull('left_at')->select('conversation_id'))
            ->update(['opened' => true]);

        Schema::table('messages', function (Blueprint $table): void {
            // A rule's text to somebody of the business; the person is whom it is about.
            $table->foreignId('to_staff_id')->nullable();
            $table->string('wordings')->nullable();
            $table->string('wording', 60)->nullable();
            $table->dateTime('anchor_at')->nullable();
            // Its place in the line's order.
            $table->dateTime('slot_at')->nullable();
            $table->boolean('released')->default(false);
            $table->boolean('expects_reply')->default(false);
            $table->string('picture', 500)->nullable();
            // Of a text that came in: the run whose question it was put to, and which answer it is.
            $table->unsignedBigInteger('put_to_run_id')->nullable();
            $table->unsignedInteger('answer')->nullable();
            $table->text('remark')->nullable();
            // Of a text that failed: it counts against the line.
            $table->boolean('held_against')->default(false);
            $table->index(['put_to_run_id', 'id']);
            $table->index(['person_id', 'origin', 'left_at']);
            $table->index(['line_id', 'fate_at']);
            $table->index(['wordings', 'wording']);
        });

        Schema::create('pools', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 60)->unique();
            $table->json('wordings');
        });

        Schema::create('wording_uses', function (Blueprint $table): void {
            $table->id();
            $table->string('wordings');
            $table->string('wording', 60);
            // 0: over everybody.
            $table->unsignedBigInteger('person_id')->default(0);
            $table->integer('times')->default(0);
            $table->unique(['wordings', 'person_id', 'wording']);
        });

        Schema::create('codes', function (Blueprint $table): void {
            $table->id();
            $table->string('list', 60);
            $table->string('code', 40);
            $table->unsignedBigInteger('person_id')->nullable();
            $table->unique(['list', 'code']);
            $table->index(['list', 'person_id', 'id']);
        });

        Schema::create('links', function (Blueprint $table): void {
            $table->string('code', 20)->primary();
            $table->foreignId('message_id')->constrained('messages');
            $table->text('target');
            $table->dateTime('opened_at')->nullable();
            $table->unsignedInteger('opened')->default(0);
            $table->index(['message_id']);
        });

        Schema::create('notices', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
            // Null: for everybody.
            $table->foreignId('staff_id')->nullable();
            $table->foreignId('person_id')->nullable();
            $table->foreignId('rule_id')->nullable();
            $table->text('words');
            $table->dateTime('at');
            $table->dateTime('put_away_at')->nullable();
            $table->index(['put_away_at', 'id']);
        });

        Schema::create('tasks', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
            $table->foreignId('staff_id')->nullable();
            $table->foreignId('person_id')->nullable();
            $table->foreignId('record_id')->nullable();
            $table->foreignId('rule_id')->nullable();
            $table->text('words');
            $table->dateTime('at');
            $table->dateTime('due_at')->nullable();
            $table->dateTime('done_at')->nullable();
            $table->index(['done_at', 'due_at', 'id']);
        });

        // What goes out besides texts: emails, look-ups, posts to other systems.
        Schema::create('errands', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
            $table->string('kind');
            $table->foreignId('run_id')->nullable();
            $table->foreignId('rule_id')->nullable();
            $table->foreignId('person_id')->nullable();
            $table->string('address', 500);
            $table->json('body');
            $table->string('state');
            $table->unsignedInteger('attempts')->default(0);
            $table->json('reason')->nullable();
            $table->dateTime('at');
            $table->dateTime('done_at')->nullable();
            $table->index(['state', 'id']);
        });

        Schema::create('forms', function (Blueprint $table): void {
            $table->id();
            $table->string('key', 60)->unique();
            $table->string('name', 80);
            // What agreeing says, and whether it counts only once it is confirmed by text.
            $table->text('wording')->nullable();
            $table->boolean('confirmed_by_text')->default(false);
            $table->string('line', 60)->nullable();
            $table->string('power')->default('on');
        });

        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });

        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
    }
};
