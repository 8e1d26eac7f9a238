<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A rule is carried out on paper over days that are past, and what came of it is kept. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('changes', function (Blueprint $table): void {
            $table->boolean('silent')->default(false);
            $table->index(['at', 'id']);
        });
        DB::table('changes')
            ->whereIn('import_id', DB::table('imports')->where('silent', true)->select('id'))
            ->orWhere(fn ($some) => $some->where('way', 'text')->whereIn('kind', ['person_added', 'person_changed']))
            ->update(['silent' => true]);
        Schema::create('rehearsals', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->constrained('rules');
            $table->foreignId('rule_version_id')->nullable()->index()->constrained('rule_versions');
            $table->foreignId('staff_id')->nullable()->index()->constrained('staff');
            // As it was when it was asked for; null where nothing was changed.
            $table->json('document')->nullable();
            $table->unsignedInteger('days');
            $table->dateTime('begins_at');
            $table->dateTime('ends_at');
            $table->string('state', 20);
            $table->unsignedBigInteger('done')->default(0);
            $table->unsignedBigInteger('of')->default(0);
            $table->dateTime('asked_at');
            // By the machine's own clock: how long the work takes is no matter of the business's.
            $table->dateTime('work_began_at')->nullable();
            $table->dateTime('leased_until')->nullable();
            $table->string('leased_by', 36)->nullable();
            $table->string('problem')->nullable();
            $table->json('summary')->nullable();
            $table->index(['rule_id', 'id']);
            $table->index(['state', 'id']);
        });
        Schema::create('rehearsed_runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rehearsal_id')->constrained('rehearsals')->cascadeOnDelete();
            $table->string('side', 10);
            $table->unsignedBigInteger('run');
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('record_id')->nullable()->index()->constrained('records')->cascadeOnDelete();
            $table->dateTime('began_at');
            $table->string('outcome')->nullable();
            $table->json('reason')->nullable();
            // In a few words, for counting.
            $table->string('why', 160)->nullable();
            $table->unsignedInteger('texts');
            $table->index(['rehearsal_id', 'side', 'began_at']);
            $table->index(['rehearsal_id', 'side', 'run']);
            $table->index(['person_id', 'id']);
        });
        Schema::create('rehearsed_texts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rehearsal_id')->constrained('rehearsals')->cascadeOnDelete();
            $table->string('side', 10);
            // Null where its rule would not have begun.
            $table->unsignedBigInteger('run')->nullable();
            $table->string('step')->nullable();
            $table->foreignId('person_id')->nullable()->constrained('people')->cascadeOnDelete();
            $table->foreignId('record_id')->nullable()->index()->constrained('records')->cascadeOnDelete();
            $table->foreignId('line_id')->nullable()->index()->constrained('lines');
            $table->string('state', 20);
            $table->dateTime('wanted_at');
            $table->dateTime('left_at')->nullable();
            $table->string('day', 10);
            $table->json('reason')->nullable();
            // In a few words, for counting.
            $table->string('why', 160)->nullable();
            // What held it before it left.
            $table->string('held_by', 60)->nullable();
            $table->json('held')->nullable();
            $table->unsignedInteger('held_seconds')->default(0);
            $table->text('body');
            $table->string('wording')->default('');
            $table->unsignedInteger('parts')->default(0);
            $table->unsignedBigInteger('price_micros')->default(0);
            // One text for each person who would have been texted.
            $table->boolean('first_of_person')->default(false);
            $table->dateTime('too_late_since')->nullable();
            $table->json('too_late')->nullable();
            $table->index(['rehearsal_id', 'side', 'state', 'wanted_at']);
            $table->index(['rehearsal_id', 'side', 'run']);
            $table->index(['rehearsal_id', 'side', 'left_at']);
            $table->index(['person_id', 'id']);
        });
        $few = ['held' => 'held_by is not null', 'late' => 'too_late_since is not null', 'people' => 'first_of_person'];
        foreach ($few as $name => $which) {
            DB::statement("create index rehearsed_texts_$name on rehearsed_texts (rehearsal_id, side, wanted_at) where $which");
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('rehearsed_texts');
        Schema::dropIfExists('rehearsed_runs');
        Schema::dropIfExists('rehearsals');
        Schema::table('changes', function (Blueprint $table): void {
            $table->dropIndex(['at', 'id']);
            $table->dropColumn('silent');
        });
    }
};
