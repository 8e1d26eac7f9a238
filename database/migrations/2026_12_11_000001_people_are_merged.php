<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('merges', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->index();
            // Whose entry it was before; there is nobody under that number now.
            $table->unsignedBigInteger('gone_id')->index();
            $table->foreignId('staff_id')->nullable();
            $table->longText('kept');
            $table->timestamp('at');
            $table->timestamp('undone_at')->nullable();
        });
        Schema::table('numbers', function (Blueprint $table): void {
            $table->string('label', 40)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('numbers', fn (Blueprint $table) => $table->dropColumn('label'));
        Schema::dropIfExists('merges');
    }
};
