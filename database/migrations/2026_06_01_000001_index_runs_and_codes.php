<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', fn (Blueprint $table) => $table->index(['rule_id', 'began_at', 'id']));
        Schema::table('codes', fn (Blueprint $table) => $table->index(['person_id', 'list']));
    }
};
