<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('roster_rows', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('urgency')->default(255)->comment('place among the needs; 0 for the most urgent');
        });
        DB::table('roster_rows')->update(['day' => null]);
    }
};
