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
            $table->string('planned', 80)->nullable()->comment('key of the planned session that it is of');
            $table->json('signs')->nullable()->comment('asked where a limit calls for them; null where nobody asked');
            $table->unsignedTinyInteger('readiness')->nullable()->comment('0 to 10');
            $table->index(['studio_id', 'client_id', 'planned']);
        });
    }
};
