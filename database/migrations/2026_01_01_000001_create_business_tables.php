<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('businesses', function (Blueprint $table): void {
            $table->id();
            $table->string('install', 36);
            $table->string('name');
            $table->string('country', 2);
            $table->string('zone');
            $table->string('locale');
            $table->string('sending');
            $table->json('opening_hours');
            $table->json('policy');
            $table->json('words');
            $table->json('tariff');
        });

        Schema::create('staff', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->string('role');
            $table->rememberToken();
        });

        Schema::create('lines', function (Blueprint $table): void {
            $table->id();
            $table->string('key')->unique();
            $table->string('name');
            $table->string('number')->unique();
            $table->string('power');
        });

        Schema::create('people', function (Blueprint $table): void {
            $table->id();
            $table->string('external_id')->nullable()->unique();
            $table->string('first_name')->nullable();
            $table->string('last_name')->nullable();
            $table->string('email')->nullable()->index();
            $table->string('zone')->nullable();
            $table->string('locale')->nullable();
            $table->json('fields');
            $table->dateTime('added_at');
            $table->index(['last_name', 'first_name', 'id']);
        });

        Schema::create('numbers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people');
            $table->string('e164')->unique();
            $table->string('country', 3);
            $table->string('kind');
            $table->json('zones');
            $table->boolean('alive')->nullable();
            $table->index(['person_id', 'id']);
        });

        Schema::create('consents', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people');
            $table->string('number');
            $table->string('act');
            $table->string('scope');
            $table->string('how');
            $table->text('wording')->nullable();
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->dateTime('at');
            $table->index(['number', 'id']);
            $table->index(['person_id', 'id']);
        });

        Schema::create('record_types', function (Blueprint $table): void {
            $table->id();
            $table->string('key')->unique();
            $table->string('name');
            $table->string('plural');
        });

        Schema::create('fields', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('record_type_id')->constrained('record_types');
            $table->string('key');
            $table->string('name');
            $table->string('kind');
            $table->json('options')->nullable();
            $table->boolean('at_place')->default(false);
            $table->unsignedInteger('position');
            $table->unique(['record_type_id', 'key']);
        });

        Schema::create('records', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('record_type_id')->constrained('record_types');
            $table->foreignId('person_id')->nullable()->constrained('people');
            $table->string('external_id')->nullable();
            $table->json('values');
            $table->dateTime('added_at');
            $table->unique(['record_type_id', 'external_id']);
            $table->index(['record_type_id', 'id']);
            $table->index(['person_id', 'id']);
        });
    }
};
