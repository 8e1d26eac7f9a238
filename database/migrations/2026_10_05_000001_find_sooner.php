<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Runs that met their goal are counted by an index of those alone; names are found without what is yet to be put into their index. */
return new class extends Migration
{
    private const PARTS = ['people_first_name_part', 'people_last_name_part', 'numbers_e164_part'];

    public function up(): void
    {
        DB::statement("create index runs_goal on runs (rule_id, began_at, goal_value) where outcome = 'goal'");
        DB::statement('drop index runs_began_outcome');
        $this->parts('set (fastupdate = off)');
    }

    public function down(): void
    {
        DB::statement('create index runs_began_outcome on runs (rule_id, began_at, outcome, goal_value)');
        DB::statement('drop index runs_goal');
        $this->parts('reset (fastupdate)');
    }

    private function parts(string $how): void
    {
        foreach (DB::getDriverName() === 'pgsql' ? self::PARTS : [] as $index) {
            DB::statement("alter index if exists $index $how");
        }
    }
};
