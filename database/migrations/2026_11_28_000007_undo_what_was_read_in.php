<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('read_ins', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('trainer_id')->constrained()->cascadeOnDelete();
            $table->string('what', 40);
            $table->string('about', 200);
            $table->json('back')->comment('what it takes to undo it');
            $table->timestamp('undone_at')->nullable();
            $table->timestamp('created_at');
            $table->index(['studio_id', 'trainer_id']);
        });
    }
};
