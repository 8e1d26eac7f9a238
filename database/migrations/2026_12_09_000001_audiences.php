<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('audiences', function (Blueprint $table): void {
            $table->id();
            // What rules call it; two that differ by capitals alone would be one to whoever reads them.
            $table->string('name', 60);
            $table->string('folded', 60)->unique();
            $table->string('of', 60);
            $table->json('condition');
            $table->timestamp('at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('audiences');
    }
};
