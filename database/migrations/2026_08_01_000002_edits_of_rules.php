<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Every change of a draft, kept with it: a later one may be undone and done again.
        Schema::create('rule_edits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->constrained('rules');
            $table->foreignId('parent_id')->nullable()->constrained('rule_edits');
            $table->json('document');
            $table->string('says');
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->dateTime('at');
            $table->index(['rule_id', 'id']);
            $table->index(['parent_id', 'id']);
            $table->index('staff_id');
        });
        Schema::table('rules', function (Blueprint $table): void {
            // The edit the draft stands at.
            $table->unsignedBigInteger('edit_id')->nullable();
        });
    }
};
