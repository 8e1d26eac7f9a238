<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sources', function (Blueprint $table): void {
            $table->id();
            $table->string('key')->unique();
            $table->string('name');
            $table->string('secret_hash', 64);
            $table->json('mapping');
        });

        Schema::create('deliveries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('source_id')->constrained('sources');
            $table->string('state');
            $table->string('fingerprint', 64)->nullable();
            $table->text('body');
            $table->json('reason')->nullable();
            $table->foreignId('record_id')->nullable()->constrained('records');
            $table->dateTime('at');
            $table->unique(['source_id', 'fingerprint']);
            $table->index(['source_id', 'id']);
            $table->index(['source_id', 'state', 'id']);
            $table->index(['state', 'id']);
        });

        Schema::create('changes', function (Blueprint $table): void {
            $table->id();
            $table->string('kind');
            $table->foreignId('record_id')->nullable()->constrained('records');
            $table->foreignId('person_id')->nullable()->constrained('people');
            $table->foreignId('delivery_id')->nullable()->constrained('deliveries');
            $table->unsignedBigInteger('message_id')->nullable();
            $table->json('from')->nullable();
            $table->json('to')->nullable();
            $table->dateTime('at');
            $table->boolean('handled')->default(false);
            $table->index(['handled', 'id']);
            $table->index(['record_id', 'id']);
            $table->index(['person_id', 'id']);
        });
    }
};
