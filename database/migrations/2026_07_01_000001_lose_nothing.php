<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const LEADS = [
        'calendars' => ['record_type_id'], 'changes' => ['delivery_id'], 'confirmations' => ['person_id', 'form_id'],
        'consents' => ['staff_id'], 'conversations' => ['line_id'], 'deliveries' => ['record_id'], 'imports' => ['staff_id'],
        'messages' => ['staff_id'], 'replays' => ['source_id'], 'rule_versions' => ['staff_id'], 'runs' => ['rule_version_id', 'line_id'],
        'saved_filters' => ['staff_id'], 'traces' => ['record_id', 'rule_id'],
    ];

    public function up(): void
    {
        Schema::table('messages', function (Blueprint $table): void {
            // What the carrier knows a text by: made with it, so that a restored database never says an old one again for a new text.
            $table->string('key', 100)->nullable();
            // Of its words as they stood before Linnet's own additions.
            $table->char('words_hash', 32)->nullable();
        });
        // Receipts for these are still to come, under the keys they were handed over by.
        $install = (string) DB::table('businesses')->value('install');
        DB::table('messages')->whereIn('state', ['waiting', 'set_aside', 'dropped', 'ready', 'handed', 'arrived', 'failed'])
            ->update(['key' => DB::raw(DB::escape("$install:").' || id')]);
        Schema::table('messages', function (Blueprint $table): void {
            $table->unique('key');
            $table->index(['state', 'fate_at']);
        });

        Schema::table('errands', function (Blueprint $table): void {
            $table->string('key', 100)->nullable();
            // When it should be tried next, by the machine's own clock: what is overdue was lost, and is put into the queue again.
            $table->dateTime('due_at')->nullable();
            $table->index(['state', 'due_at']);
        });
        DB::table('errands')->update(['key' => DB::raw(DB::escape("$install:").' || id'), 'due_at' => DB::raw('at')]);

        // Without a valid secret: counted, and the last few kept. What is kept at all has a bound.
        Schema::table('sources', function (Blueprint $table): void {
            $table->unsignedBigInteger('unproven')->default(0);
            $table->unsignedInteger('keep_days')->default(90);
            $table->unsignedInteger('keep_megabytes')->default(200);
        });
        Schema::table('deliveries', function (Blueprint $table): void {
            $table->boolean('unproven')->default(false);
            $table->unsignedBigInteger('bytes')->default(0);
        });
        DB::table('deliveries')->update(['bytes' => DB::raw('length(body)')]);
        Schema::table('deliveries', function (Blueprint $table): void {
            $table->index(['source_id', 'unproven', 'id']);
            $table->index(['source_id', 'at']);
        });
        Schema::table('imports', function (Blueprint $table): void {
            $table->unsignedInteger('tries')->default(0);
            // How far it has come with being taken back: everything from this change on is undone.
            $table->unsignedBigInteger('undone_to')->nullable();
        });

        // Whatever leads to another table is found by it, or taking one row out reads the whole of the other.
        foreach (self::LEADS as $name => $columns) {
            Schema::table($name, fn (Blueprint $table) => array_map($table->index(...), $columns));
        }
        Schema::table('traces', fn (Blueprint $table) => $table->index(['code', 'at']));

        // What a stranger called somebody, until their number confirms it.
        Schema::table('confirmations', fn (Blueprint $table) => $table->string('name', 80)->nullable());

        // A carrier that does not answer is one trouble, said once.
        Schema::create('outages', function (Blueprint $table): void {
            $table->id();
            $table->string('carrier')->unique();
            $table->dateTime('since');
            $table->unsignedInteger('tries')->default(0);
            $table->dateTime('next_at');
            $table->string('detail')->nullable();
        });

        // Every process that works leaves a sign, by the machine's own clock.
        Schema::create('signs', function (Blueprint $table): void {
            $table->id();
            $table->string('worker')->unique();
            $table->dateTime('at');
            $table->string('problem')->nullable();
        });

        // What failed by itself, alone, twice: kept to be tried again.
        Schema::create('put_asides', function (Blueprint $table): void {
            $table->id();
            $table->string('kind');
            $table->unsignedBigInteger('subject_id');
            $table->json('row')->nullable();
            $table->text('detail');
            $table->dateTime('at');
            $table->unique(['kind', 'subject_id']);
        });
    }
};
