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
            $table->string('copy_of', 100)->nullable()->comment('ladder that it was copied from');
            $table->boolean('in_place')->nullable()->comment('where it is used for everybody, that ladder is not');
        });
    }
};
