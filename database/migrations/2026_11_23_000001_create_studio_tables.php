<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('studios', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('name', 200);
            $table->timestamps();
        });

        Schema::create('trainers', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('studio_id')->constrained();
            $table->string('name', 200);
            $table->string('email', 200)->unique();
            $table->string('password');
            $table->timestamps();
        });

        Schema::create('sessions', function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->string('user_id', 26)->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity')->index();
        });

        Schema::create('clients', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('studio_id')->constrained();
            $table->string('name', 200);
            $table->json('document')->comment('even-rungs/client');
            $table->unsignedInteger('version')->default(1)->comment('goes up with every change to anything of the client');
            $table->timestamp('archived_at')->nullable();
            $table->timestamps();
            $table->index(['studio_id', 'name']);
        });

        Schema::create('standings', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->string('ladder', 100);
            $table->string('rung', 100)->nullable()->comment('null where nothing on the ladder is allowed');
            $table->unsignedTinyInteger('step')->default(0);
            $table->string('basis', 20);
            $table->json('why');
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id', 'ladder', 'id']);
        });

        Schema::create('programs', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->unique()->constrained();
            $table->json('document')->comment('even-rungs/program');
            $table->timestamps();
        });

        Schema::create('changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->constrained();
            $table->string('label', 200);
            $table->json('before')->comment('standing and program as they were');
            $table->json('after')->comment('standing and program as they became');
            $table->boolean('undone')->default(false);
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id', 'undone', 'id']);
        });
    }
};
