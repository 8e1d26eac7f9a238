<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A number counts once a code that was sent there has come back.
        Schema::create('number_codes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('staff_id')->unique()->constrained('staff');
            $table->string('number', 20);
            $table->string('code');
            $table->unsignedTinyInteger('tries')->default(0);
            $table->dateTime('until');
        });
        Schema::table('staff', function (Blueprint $table): void {
            $table->dateTime('number_confirmed_at')->nullable();
        });
        // Texts of a trial stand apart from those of people: no figure, limit or pace knows of them.
        Schema::create('trials', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->constrained('rules');
            $table->foreignId('staff_id')->constrained('staff');
            $table->json('document');
            $table->unsignedBigInteger('sample_id');
            // Whose values the texts hold: when they are erased, so are these.
            $table->unsignedBigInteger('person_id')->index();
            $table->json('suppose');
            $table->string('number', 20);
            $table->dateTime('at');
            $table->dateTime('last_at');
            $table->dateTime('ended_at')->nullable();
            $table->index(['number', 'ended_at']);
            $table->index(['rule_id', 'staff_id', 'id']);
            $table->index('staff_id');
        });
        Schema::create('trial_texts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('trial_id')->constrained('trials');
            $table->string('key', 120)->unique();
            $table->boolean('inbound')->default(false);
            $table->string('step', 60)->nullable();
            $table->foreignId('line_id')->constrained('lines');
            $table->text('body');
            $table->string('picture', 500)->nullable();
            $table->string('state', 20);
            $table->string('detail', 190)->nullable();
            $table->dateTime('at');
            $table->index(['trial_id', 'id']);
            $table->index('line_id');
        });
    }
};
