<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What somebody who is known filled in about themselves waits until their number, or one of us, says that it was them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('form_sends', function (Blueprint $table): void {
            $table->json('said')->nullable();
            $table->timestamp('taken_at')->nullable();
        });
        // A name that was typed is among it.
        Schema::table('confirmations', fn (Blueprint $table) => $table->dropColumn('name'));
    }

    public function down(): void
    {
        Schema::table('confirmations', fn (Blueprint $table) => $table->string('name')->nullable());
        Schema::table('form_sends', fn (Blueprint $table) => $table->dropColumn(['said', 'taken_at']));
    }
};
