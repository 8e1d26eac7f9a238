<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('kept_texts', function (Blueprint $table): void {
            $table->id();
            // Whose; null for everybody's.
            $table->foreignId('staff_id')->nullable();
            $table->string('name', 60);
            $table->text('body');
            $table->index(['staff_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('kept_texts');
    }
};
