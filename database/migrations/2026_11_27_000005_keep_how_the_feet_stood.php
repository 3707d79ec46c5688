<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('test_days', function (Blueprint $table): void {
            $table->json('feet')->nullable()->comment('how the feet stood, by test');
        });
    }
};
