<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('own_ladders', function (Blueprint $table): void {
            $table->boolean('unused')->nullable()->comment('planned only where it is chosen; null where it is used for everybody');
        });
    }
};
