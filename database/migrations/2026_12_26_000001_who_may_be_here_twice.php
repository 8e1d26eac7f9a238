<?php

declare(strict_types=1);

use App\Merging\Alike;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Entries that are alike are found by an index; two that were told apart are not asked about again. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('told_apart', function (Blueprint $table): void {
            $table->foreignId('one_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('other_id')->index()->constrained('people')->cascadeOnDelete();
            $table->primary(['one_id', 'other_id']);
        });
        foreach (Alike::cases() as $alike) {
            [$table, $id] = $alike === Alike::Number ? ['numbers', 'person_id'] : ['people', 'id'];
            $keys = implode(', ', array_map(fn (string $key): string => "($key)", $alike->keys()));
            DB::statement("create index {$table}_alike_{$alike->value} on $table ($keys, $id)");
        }
    }

    public function down(): void
    {
        foreach (['people_alike_email', 'numbers_alike_number', 'people_alike_name'] as $index) {
            DB::statement("drop index if exists $index");
        }
        Schema::dropIfExists('told_apart');
    }
};
