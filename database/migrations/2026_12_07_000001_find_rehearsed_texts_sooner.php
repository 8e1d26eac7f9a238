<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('rehearsed_texts', fn (Blueprint $table) => $table->index(['rehearsal_id', 'side', 'wanted_at', 'id']));
    }

    public function down(): void
    {
        Schema::table('rehearsed_texts', fn (Blueprint $table) => $table->dropIndex(['rehearsal_id', 'side', 'wanted_at', 'id']));
    }
};
