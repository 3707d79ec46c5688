<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('own_ladders', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->string('ladder', 100);
            $table->json('document')->nullable()->comment('even-rungs ladder; null where the ladder was put away');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->unique(['studio_id', 'ladder']);
        });

        Schema::create('ladder_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('trainer_id')->constrained();
            $table->string('ladder', 100);
            $table->string('label', 200);
            $table->json('before')->nullable()->comment('the studio\'s own document as it was; null where there was none');
            $table->json('after')->nullable();
            $table->json('moves')->comment('clients whom it moved: from where to where');
            $table->boolean('undone')->default(false);
            $table->timestamp('created_at');
            $table->index(['studio_id', 'ladder', 'id']);
        });

        Schema::create('own_words', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->string('words', 200);
            $table->string('key', 200)->comment('the words as they are compared');
            $table->string('rung', 100);
            $table->timestamp('created_at');
            $table->unique(['studio_id', 'key']);
        });

        Schema::table('clients', function (Blueprint $table): void {
            $table->json('aims')->nullable()->comment('rungs asked for, newest first');
            $table->json('used_ladders')->nullable()->comment('ladders the plan draws on; null where it may draw on all');
        });
    }
};
