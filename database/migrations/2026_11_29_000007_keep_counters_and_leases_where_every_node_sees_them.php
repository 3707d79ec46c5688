<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('cache', static function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->mediumText('value');
            $table->integer('expiration')->index()->comment('seconds since 1970');
        });
        Schema::create('leases', static function (Blueprint $table): void {
            $table->string('job', 60)->primary();
            $table->string('holder', 200);
            $table->dateTime('until')->comment('UTC; whoever comes behind it may take it');
        });
    }
};
