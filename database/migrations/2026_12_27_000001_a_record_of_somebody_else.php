<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a run began for names the person too: with somebody else, a record's date is another occasion. */
return new class extends Migration
{
    private const RECORD = "'record:' || record_id || ':'";

    private const PERSON = self::RECORD." || 'person:' || person_id || ':'";

    public function up(): void
    {
        $this->replace(self::RECORD, self::PERSON);
    }

    public function down(): void
    {
        $this->replace(self::PERSON, self::RECORD);
    }

    private function replace(string $what, string $with): void
    {
        foreach (['at', 'date', 'quiet', 'calendar'] as $kind) {
            DB::statement("update runs set occasion = replace(occasion, $what, $with) where occasion like '$kind:record:%'");
        }
    }
};
