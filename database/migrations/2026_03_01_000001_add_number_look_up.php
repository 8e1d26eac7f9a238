<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('numbers', function (Blueprint $table): void {
            $table->dateTime('looked_up_at')->nullable();
        });
    }
};
