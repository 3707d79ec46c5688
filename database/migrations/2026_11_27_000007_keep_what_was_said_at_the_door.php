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
            $table->json('door')->nullable()->comment('answers at the door beside pain and soreness, and what they changed');
            $table->string('ended', 16)->nullable()->comment('why it was ended early');
        });
        Schema::table('logged_sets', function (Blueprint $table): void {
            $table->boolean('left')->nullable()->comment('not begun, since the session was ended early');
        });
    }
};
