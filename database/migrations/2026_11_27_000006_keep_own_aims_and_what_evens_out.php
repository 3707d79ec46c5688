<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('own_aims', function (Blueprint $table): void {
            $table->id();
            $this->of($table);
            $table->string('words', 200)->comment('what the client wants to do again, or better, in their words');
            $table->json('scores')->comment('day and 0 to 10');
            $table->date('ended_on')->nullable();
            $table->timestamp('created_at')->nullable();
        });
        Schema::create('even_outs', function (Blueprint $table): void {
            $table->id();
            $this->of($table);
            $table->string('kind', 16)->comment('extra-set or hold');
            $table->string('ladder', 80)->nullable()->comment('of an extra set');
            $table->string('side', 8)->nullable()->comment('of an extra set');
            $table->string('category', 2)->nullable()->comment('of a hold');
            $table->date('from');
            $table->date('until')->nullable()->comment('the day it ended, and was part of the plan no more');
            $table->string('why_ended', 200)->nullable();
            $table->timestamp('created_at')->nullable();
        });
        Schema::table('logged_sets', function (Blueprint $table): void {
            $table->string('band', 40)->nullable()->comment('of the studio’s own list');
        });
        Schema::table('studios', function (Blueprint $table): void {
            $table->json('bands')->nullable()->comment('lightest first: name, colour and pull in kg');
        });
    }

    private function of(Blueprint $table): void
    {
        $table->foreignUlid('studio_id')->constrained();
        $table->foreignUlid('client_id')->constrained();
        $table->foreignUlid('trainer_id')->constrained();
        $table->index(['client_id']);
    }
};
