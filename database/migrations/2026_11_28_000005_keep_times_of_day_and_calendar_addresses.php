<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('clients', function (Blueprint $table): void {
            $table->json('times')->nullable()->comment('when the client trains, such as {"mon": "17:30"}, for calendars');
        });
        Schema::create('calendar_links', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('studio_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('client_id')->nullable()->comment('null for all whom the trainer sees')->constrained()->cascadeOnDelete();
            $table->foreignUlid('trainer_id')->constrained()->cascadeOnDelete();
            $table->char('hash', 64)->comment('of the secret, SHA-256');
            $table->timestamp('revoked_at')->nullable();
            $table->timestamp('seen_at')->nullable()->comment('when a calendar last asked');
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id']);
        });
    }
};
