<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('programs', function (Blueprint $table): void {
            $table->boolean('current')->default(true)->comment('the program in use; the others are kept');
            $table->index(['client_id', 'studio_id', 'current']);
            $table->dropUnique(['client_id']);
        });

        Schema::create('screens', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->nullable()->constrained();
            $table->date('on');
            $table->boolean('asked')->comment('whether the whole screen was asked that day, or answers were only changed');
            $table->json('flags')->nullable()->comment('flags answered with yes; null where they were not asked');
            $table->json('limits');
            $table->json('touched')->comment('programs that the answers touch, with the exercises they bar');
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id', 'id']);
        });

        Schema::create('clearances', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->nullable()->constrained();
            $table->string('who', 200);
            $table->string('role', 200);
            $table->date('on');
            $table->json('covers')->comment('ids of flags and medical limits');
            $table->string('note', 1000)->nullable();
            $table->timestamp('withdrawn_at')->nullable();
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id', 'id']);
        });

        Schema::create('own_styles', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->string('style', 100);
            $table->json('document')->comment('even-rungs style');
            $table->timestamps();
            $table->unique(['studio_id', 'style']);
        });

        Schema::table('test_days', function (Blueprint $table): void {
            $table->json('ladders')->nullable()->comment('highest clean rung by ladder, climbed on that day');
            $table->json('leg_loading')->nullable()->comment('how it was done, the score, and what the cuff read');
        });
    }
};
