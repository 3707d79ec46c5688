<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        foreach (['clients', 'studios'] as $of) {
            Schema::table($of, static function (Blueprint $table): void {
                $table->char('stamp', 16)->default('')->comment('another after every change of what pages show of it');
            });
        }
    }
};
