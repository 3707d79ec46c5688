<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('test_days', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->constrained();
            $table->date('on');
            $table->json('tests')->comment('seconds by test');
            $table->json('ended_by')->comment('fault by test');
            $table->timestamp('created_at');
            $table->index(['studio_id', 'client_id', 'on', 'id']);
        });
    }
};
