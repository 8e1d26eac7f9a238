<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('chosen_columns', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('staff_id')->constrained('staff')->cascadeOnDelete();
            $table->foreignId('record_type_id')->constrained()->cascadeOnDelete();
            $table->json('fields');
            $table->unique(['staff_id', 'record_type_id']);
            $table->index('record_type_id');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('chosen_columns');
    }
};
