<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('logged_sessions', function (Blueprint $table): void {
            $table->unsignedInteger('revision')->default(1)->comment('of the device that runs the session; an older one is dropped');
            $table->boolean('edited')->default(false)->comment('changed by hand since a device wrote it');
            $table->boolean('open')->default(false)->comment('still being run');
            $table->json('ticks')->nullable()->comment('by ladder, what was ticked after its last set; null where nobody was asked');
        });
        Schema::table('logged_sets', function (Blueprint $table): void {
            $table->json('cued')->nullable()->comment('faults that a cue cured');
            $table->json('felt')->nullable();
            $table->decimal('range', 3, 2)->nullable()->comment('share of the full range');
            $table->decimal('load_kg', 6, 2)->nullable();
            $table->boolean('talked')->nullable()->comment('could talk while holding');
            $table->boolean('shaking')->nullable();
            $table->index(['client_id', 'on', 'pain']);
            $table->index(['client_id', 'load_kg', 'id']);
        });
        Schema::create('log_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->nullable()->constrained();
            $table->string('key', 64)->comment('of the log');
            $table->string('what', 20)->comment('edited, removed or restored');
            $table->json('before')->nullable()->comment('the log as it was');
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id', 'key', 'id']);
        });
        Schema::create('roster_rows', function (Blueprint $table): void {
            $table->foreignUlid('client_id')->primary()->constrained()->cascadeOnDelete();
            $table->foreignUlid('studio_id')->constrained();
            $table->date('day')->nullable()->comment('on which the row was true; null where something changed since');
            $table->json('row');
            $table->index(['studio_id', 'day']);
        });
        Schema::table('verdict_answers', function (Blueprint $table): void {
            $table->string('note', 500)->nullable()->comment('why the trainer chose otherwise');
        });
        Schema::table('studios', function (Blueprint $table): void {
            $table->json('emergency_steps')->nullable();
        });
    }
};
