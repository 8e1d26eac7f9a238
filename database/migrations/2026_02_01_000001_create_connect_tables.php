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
            $table->string('conflicts')->default('first');
        });

        Schema::table('record_types', function (Blueprint $table): void {
            // Keys of the fields that have a part to play.
            foreach (['person_field', 'title_field', 'start_field', 'end_field', 'stage_field'] as $part) {
                $table->string($part)->nullable();
            }
        });

        Schema::table('fields', function (Blueprint $table): void {
            $table->string('of')->nullable();
            $table->dateTime('removed_at')->nullable();
        });

        Schema::table('people', function (Blueprint $table): void {
            $table->unsignedBigInteger('import_id')->nullable()->index();
            $table->dropUnique(['external_id']);
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->dropColumn('external_id');
        });

        // What each system calls a person; one may have several names.
        Schema::create('external_ids', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people');
            $table->string('scope', 40);
            $table->string('external_id');
            $table->unique(['scope', 'external_id']);
            $table->index(['person_id', 'id']);
        });

        Schema::table('numbers', function (Blueprint $table): void {
            // The highest is the one texts go to.
            $table->unsignedInteger('rank')->default(0);
        });

        Schema::table('records', function (Blueprint $table): void {
            // The title's words in small letters, for finding.
            $table->string('title')->nullable();
            $table->dateTime('changed_at')->nullable();
            // The newest version each source has given for each field.
            $table->json('versions')->nullable();
            $table->index(['record_type_id', 'title', 'id']);
            $table->index(['record_type_id', 'changed_at', 'id']);
            $table->index(['record_type_id', 'person_id', 'id']);
        });

        Schema::table('changes', function (Blueprint $table): void {
            $table->string('way')->default('feed');
            $table->string('via')->default('');
            $table->unsignedBigInteger('staff_id')->nullable();
            $table->unsignedBigInteger('import_id')->nullable();
            $table->index(['import_id', 'id']);
        });

        Schema::table('consents', function (Blueprint $table): void {
            $table->unsignedBigInteger('import_id')->nullable()->index();
        });

        Schema::table('sources', function (Blueprint $table): void {
            $table->string('kind')->default('feed');
            $table->string('power')->default('on');
            $table->string('proof')->default('secret');
            $table->text('secret')->nullable();
            $table->text('old_secret')->nullable();
            $table->dateTime('old_secret_until')->nullable();
            $table->unsignedBigInteger('sample_id')->nullable();
            // Of a watched address.
            $table->text('address')->nullable();
            $table->unsignedInteger('every_minutes')->nullable();
            $table->dateTime('look_at')->nullable()->index();
            $table->dateTime('looked_at')->nullable();
            $table->json('problem')->nullable();
            // What a record becomes whose row is no longer there: {field, value}.
            $table->json('gone')->nullable();
            // A mapping that is being changed, and is not in use yet.
            $table->json('draft')->nullable();
        });
        Schema::table('sources', function (Blueprint $table): void {
            $table->dropColumn('secret_hash');
            $table->json('mapping')->nullable()->change();
        });

        Schema::table('deliveries', function (Blueprint $table): void {
            $table->json('headers')->nullable();
            $table->boolean('is_binary')->default(false);
            $table->boolean('is_cut')->default(false);
            $table->dateTime('replayed_at')->nullable();
        });

        Schema::create('replays', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('source_id')->constrained('sources');
            $table->string('state');
            // Deliveries in this state alone, if one is named, from the first to the last of these ids.
            $table->string('only')->nullable();
            $table->unsignedBigInteger('next_id');
            $table->unsignedBigInteger('last_id');
            $table->unsignedInteger('total');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('refused')->default(0);
            $table->dateTime('at');
            $table->index(['state', 'id']);
        });

        Schema::create('imports', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('source_id')->nullable()->constrained('sources');
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->string('name');
            // What its table is called on disk.
            $table->string('file', 36);
            $table->string('state');
            $table->json('mapping')->nullable();
            // Whether rules may act on what it changes.
            $table->boolean('silent')->default(true);
            $table->json('columns')->nullable();
            $table->unsignedInteger('rows')->default(0);
            $table->unsignedInteger('done')->default(0);
            $table->unsignedBigInteger('offset')->default(0);
            foreach (['added', 'changed', 'same', 'refused', 'left_out'] as $count) {
                $table->unsignedInteger($count)->default(0);
            }
            $table->json('problem')->nullable();
            $table->dateTime('at');
            $table->dateTime('began_at')->nullable();
            $table->dateTime('ended_at')->nullable();
            $table->unsignedInteger('worked_ms')->default(0);
            $table->index(['state', 'id']);
            $table->index(['source_id', 'id']);
        });

        Schema::create('refused_rows', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('import_id')->constrained('imports');
            $table->unsignedInteger('row');
            $table->json('cells');
            $table->json('reason');
            $table->index(['import_id', 'id']);
        });

        // What a file or a watched address has given already: a row is taken once.
        Schema::create('seen_rows', function (Blueprint $table): void {
            $table->id();
            $table->string('scope', 40);
            $table->string('fingerprint', 32);
            $table->foreignId('record_id')->nullable();
            $table->unsignedBigInteger('import_id');
            $table->unique(['scope', 'fingerprint']);
            $table->index(['scope', 'import_id', 'record_id']);
        });

        Schema::create('saved_filters', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('record_type_id')->constrained('record_types');
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->string('name');
            $table->json('asked');
            $table->unique(['record_type_id', 'name']);
        });

        Schema::create('calendars', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('record_type_id')->constrained('record_types');
            $table->string('name');
            $table->string('secret_hash', 64)->unique();
            $table->dateTime('at');
            $table->dateTime('fetched_at')->nullable();
        });

        Schema::create('personal_access_tokens', function (Blueprint $table): void {
            $table->id();
            $table->morphs('tokenable');
            $table->text('name');
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestamp('last_used_at')->nullable();
            $table->timestamp('expires_at')->nullable()->index();
            $table->timestamps();
        });

        Schema::create('idempotency_keys', function (Blueprint $table): void {
            $table->id();
            $table->unsignedBigInteger('token_id');
            $table->string('key', 200);
            $table->string('fingerprint', 64);
            $table->unsignedSmallInteger('status')->nullable();
            $table->text('body')->nullable();
            $table->dateTime('at')->index();
            $table->unique(['token_id', 'key']);
        });

        DB::table('records')->whereNull('changed_at')->update(['changed_at' => DB::raw('added_at')]);
    }
};
