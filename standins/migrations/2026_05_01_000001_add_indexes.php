<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('texts', function (Blueprint $table): void {
            $table->index(['to', 'from', 'at']);
        });
        Schema::table('errands', function (Blueprint $table): void {
            $table->index(['held', 'path']);
        });
    }
};
