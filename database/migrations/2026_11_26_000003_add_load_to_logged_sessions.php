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
            $table->unsignedTinyInteger('effort')->nullable()->comment('of the whole session, 0 to 10');
            $table->unsignedSmallInteger('minutes')->nullable();
        });
    }
};
