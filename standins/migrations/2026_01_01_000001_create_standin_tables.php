<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The carrier's ledger: what it took, and what handsets wrote.
        Schema::create('texts', function (Blueprint $table): void {
            $table->id();
            $table->string('ref')->unique();
            $table->string('key')->nullable()->unique();
            $table->unsignedInteger('offered')->default(1);
            $table->string('from');
            $table->string('to');
            $table->text('text');
            $table->string('fate');
            $table->dateTime('at');
            $table->index(['to', 'id']);
            $table->index(['from', 'id']);
        });

        // What is still to be said to Linnet, and when (the machine's time: the courier does not wait for the demo's clock).
        Schema::create('errands', function (Blueprint $table): void {
            $table->id();
            $table->string('path');
            $table->string('secret');
            $table->text('body');
            $table->double('due');
            $table->unsignedInteger('tries')->default(0);
            $table->boolean('done')->default(false);
            $table->index(['done', 'due']);
        });

        Schema::create('calls', function (Blueprint $table): void {
            $table->id();
            $table->string('from');
            $table->string('to');
            $table->boolean('answered');
            $table->dateTime('at');
        });

        Schema::create('first_tries', function (Blueprint $table): void {
            $table->string('key')->primary();
        });

        Schema::create('manners', function (Blueprint $table): void {
            $table->string('name')->primary();
            $table->boolean('on');
        });
    }
};
