<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('logged_sets', static function (Blueprint $table): void {
            $table->index(['client_id', 'pain']);
            $table->index(['client_id', 'band', 'id']);
            $table->index(['studio_id', 'client_id', 'ladder', 'done']);
        });
        Schema::table('logged_sessions', static function (Blueprint $table): void {
            $table->index(['client_id', 'pain_before', 'pain_next_day', 'pain_kind'], 'logged_sessions_pain_index');
        });
    }
};
