<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A text typed for a moment may go knowingly while its line is closed or busy; else it is given a place in the line's order. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('scheduled_texts', function (Blueprint $table): void {
            $table->boolean('anyway')->default(false);
            $table->dateTime('slot_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('scheduled_texts', fn (Blueprint $table) => $table->dropColumn(['anyway', 'slot_at']));
    }
};
