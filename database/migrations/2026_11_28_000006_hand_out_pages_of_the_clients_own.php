<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('home_pages', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('studio_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('client_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('trainer_id')->constrained()->cascadeOnDelete();
            $table->char('hash', 64)->comment('of the secret of its link, SHA-256');
            $table->string('title', 120);
            $table->date('made_on');
            $table->date('until')->comment('it stops working after this day');
            $table->mediumText('document')->nullable()->comment('what is in it, compressed; gone when nothing can come back any more');
            $table->unsignedSmallInteger('looks')->default(0);
            $table->timestamp('seen_at')->nullable()->comment('when the link was last opened');
            $table->timestamp('saved_at')->nullable()->comment('when the file was last saved');
            $table->timestamp('revoked_at')->nullable();
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id']);
        });
        Schema::table('logged_sessions', function (Blueprint $table): void {
            $table->string('origin', 10)->nullable()->comment('client: came back from their own page');
            $table->string('word', 400)->nullable()->comment('what the client wrote');
        });
        Schema::table('log_changes', function (Blueprint $table): void {
            $table->string('reason', 200)->nullable()->comment('why a log of the client’s own was taken back');
            $table->json('stops')->nullable()->comment('what a log of the client’s own stopped; it stays whatever becomes of the log');
        });
    }
};
