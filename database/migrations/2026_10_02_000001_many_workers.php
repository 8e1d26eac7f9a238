<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('lines', function (Blueprint $table): void {
            $table->string('carrier', 40)->default('main');
        });
        Schema::table('messages', function (Blueprint $table): void {
            // Who is handing it over, and until when nobody else does, by the machine's own clock.
            $table->string('leased_by', 40)->nullable();
            $table->dateTime('leased_until')->nullable();
            // A carrier without keys says what became of a text by its own name for it.
            $table->index('carrier_ref');
        });
    }
};
