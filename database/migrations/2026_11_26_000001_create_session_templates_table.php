<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('session_templates', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->string('name', 100);
            $table->json('document')->comment('even-rungs/session');
            $table->timestamps();
            $table->unique(['studio_id', 'name']);
        });
    }
};
