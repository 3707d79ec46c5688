<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('standings', function (Blueprint $table): void {
            $table->json('range')->nullable()->comment('done at now, where that is less than the step has');
            $table->json('dose')->nullable()->comment('of the step when the client came to it; null in older rows');
        });
        Schema::table('clearances', function (Blueprint $table): void {
            $table->date('until')->nullable()->comment('the last day; null for no end');
            $table->unsignedTinyInteger('max_level')->nullable();
        });
        Schema::table('logged_sessions', function (Blueprint $table): void {
            $table->string('pain_kind', 20)->nullable()->comment('said of the whole session');
            $table->boolean('checked')->default(true)->comment('whether somebody watched the form');
            $table->json('warned')->nullable()->comment('what was warned of before it, such as hard work within 48 h');
            $table->index(['client_id', 'pain_kind']);
        });
        Schema::table('logged_sets', function (Blueprint $table): void {
            $table->decimal('range_cm', 4, 1)->nullable();
            $table->decimal('target_range', 3, 2)->nullable();
            $table->decimal('target_range_cm', 4, 1)->nullable();
            $table->boolean('open')->nullable()->comment('a hold meant to run to the first fault');
            $table->unsignedInteger('target_hold')->nullable()->comment('milliseconds in every repetition');
            $table->unsignedInteger('hold')->nullable();
            $table->boolean('timed')->nullable()->comment('the time of its work in a circuit counts, and no repetitions');
            $table->index(['client_id', 'pain_kind']);
        });
        Schema::table('verdict_answers', function (Blueprint $table): void {
            $table->string('log', 40)->nullable()->comment('the newest log it rests on, with its revision');
            $table->json('from')->nullable()->comment('rung, step and range it was given for');
            $table->json('to')->nullable()->comment('where it moved the client; null where it moved nobody');
        });
    }
};
