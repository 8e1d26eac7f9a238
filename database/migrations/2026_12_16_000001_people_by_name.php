<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** People are listed by name, and those without one last, on every database. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create index people_by_name on people ((coalesce(last_name, first_name) is null), (coalesce(last_name, first_name)), first_name, id)',
        );
    }

    public function down(): void
    {
        DB::statement('drop index if exists people_by_name');
    }
};
