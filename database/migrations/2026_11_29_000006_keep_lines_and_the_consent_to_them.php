<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('line_consents', function (Blueprint $table): void {
            $table->id();
            $this->of($table);
            $table->string('given_by', 8)->comment('client or guardian');
            $table->string('name', 120)->comment('who said so');
            $table->date('on');
            $table->date('withdrawn_on')->nullable();
            $table->timestamp('created_at')->nullable();
        });
        Schema::create('line_checks', function (Blueprint $table): void {
            $table->id();
            $this->of($table);
            $table->date('on');
            $table->string('rung', 100);
            $table->json('marks')->comment('points and level in pixels of a picture of this size');
            $table->smallInteger('width')->unsigned();
            $table->smallInteger('height')->unsigned();
            $table->json('faults')->comment('that the trainer ticked');
            $table->mediumText('picture')->nullable()->comment('JPEG in base64, at most 1600 pixels, nothing of place or device in it');
            $table->timestamp('created_at')->nullable();
        });
        Schema::table('logged_sets', function (Blueprint $table): void {
            $table->string('seen_by', 8)->nullable()->comment('what ended it: camera or cuff');
        });
    }

    private function of(Blueprint $table): void
    {
        $table->foreignUlid('studio_id')->constrained();
        $table->foreignUlid('client_id')->constrained();
        $table->foreignUlid('trainer_id')->constrained();
        $table->index(['client_id']);
    }
};
