<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Where the database can look up a part of a word, people are found by a part of their name or number without reading all of them. */
return new class extends Migration
{
    private const COLUMNS = ['people' => ['first_name', 'last_name'], 'numbers' => ['e164']];

    public function up(): void
    {
        if (DB::getDriverName() !== 'pgsql' || DB::table('pg_available_extensions')->where('name', 'pg_trgm')->doesntExist()) {
            return;
        }
        DB::statement('create extension if not exists pg_trgm');
        foreach (self::COLUMNS as $table => $columns) {
            foreach ($columns as $column) {
                DB::statement("create index {$table}_{$column}_part on $table using gin ($column gin_trgm_ops)");
            }
        }
    }

    public function down(): void
    {
        foreach (DB::getDriverName() === 'pgsql' ? self::COLUMNS : [] as $table => $columns) {
            foreach ($columns as $column) {
                DB::statement("drop index if exists {$table}_{$column}_part");
            }
        }
    }
};
