<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('studio_clusters', function (Blueprint $table): void {
            $table->string('host', 100)->primary();
            $table->ulid('studio')->unique()->comment('of whichever cluster; no key of a table here');
            $table->string('cluster', 20);
            $table->string('goes_to', 20)->nullable()->comment('while it is being moved');
            $table->timestamp('since')->useCurrent();
        });
    }
};
