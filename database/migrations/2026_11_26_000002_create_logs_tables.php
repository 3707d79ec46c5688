<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('logged_sessions', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->nullable()->constrained();
            $table->string('key', 64)->comment('sent with the log; the same key is stored once');
            $table->date('on');
            $table->unsignedTinyInteger('soreness')->nullable()->comment('0 to 10');
            $table->unsignedTinyInteger('pain_before')->nullable()->comment('0 to 10');
            $table->unsignedTinyInteger('pain_next_day')->nullable()->comment('0 to 10');
            $table->timestamps();
            $table->unique(['studio_id', 'key']);
            $table->index(['studio_id', 'client_id', 'on']);
        });
        Schema::create('logged_sets', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignId('logged_session_id')->constrained()->cascadeOnDelete();
            $table->string('ladder', 100);
            $table->string('rung', 100);
            $table->date('on');
            $table->string('side', 10)->nullable();
            $table->unsignedInteger('target')->comment('repetitions, or milliseconds held');
            $table->unsignedInteger('done');
            $table->json('faults')->nullable()->comment('null where nobody recorded them');
            $table->string('ended_by', 60)->nullable();
            $table->unsignedTinyInteger('pain')->nullable();
            $table->string('pain_kind', 20)->nullable();
            $table->unsignedTinyInteger('effort')->nullable();
            $table->boolean('breathing')->nullable();
            $table->index(['studio_id', 'client_id', 'ladder', 'on']);
        });
        Schema::create('verdict_answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->nullable()->constrained();
            $table->string('ladder', 100);
            $table->string('verdict', 20);
            $table->string('answer', 20)->comment('accepted or postponed');
            $table->date('logged_on')->comment('day of the newest log it rests on');
            $table->json('reasons');
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id', 'ladder', 'id']);
        });
    }
};
