<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('errands', function (Blueprint $table): void {
            $table->json('headers')->nullable();
            // Whether the body is signed with the secret (Standard Webhooks) instead of giving it.
            $table->boolean('signed')->default(false);
            // Kept back until the next errand to the same place has gone.
            $table->boolean('held')->default(false);
        });

        Schema::create('baskets', function (Blueprint $table): void {
            $table->id();
            $table->string('number');
            $table->string('state');
            $table->json('lines');
            $table->unsignedInteger('changes')->default(0);
            $table->dateTime('touched');
            $table->index(['number', 'id']);
        });

        Schema::create('lessons', function (Blueprint $table): void {
            $table->id();
            $table->string('number');
            $table->string('what');
            $table->string('with');
            $table->dateTime('from');
            $table->unsignedInteger('guests')->default(1);
            $table->boolean('cancelled')->default(false);
            $table->unsignedInteger('changes')->default(0);
            $table->index(['number', 'id']);
        });
    }
};
