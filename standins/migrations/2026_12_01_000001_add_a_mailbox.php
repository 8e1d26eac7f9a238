<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('mails', function (Blueprint $table): void {
            $table->id();
            $table->string('to')->index();
            $table->string('subject');
            $table->text('words');
            $table->string('reply_to')->nullable();
            $table->dateTime('at');
        });
    }
};
