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
        Schema::table('studios', function (Blueprint $table): void {
            $table->string('units', 10)->default('metric');
            $table->string('first_day', 3)->default('mon');
            $table->string('date_format', 10)->default('device')->comment('device, dmy, mdy or ymd');
            $table->string('time_format', 10)->default('device')->comment('device, 24h or 12h');
            $table->string('time_zone', 60)->default('UTC');
        });
        Schema::table('trainers', function (Blueprint $table): void {
            $table->string('role', 10)->default('trainer')->comment('owner, trainer or reader');
            $table->timestamp('disabled_at')->nullable();
            $table->text('code_secret')->nullable()->comment('of the second factor, encrypted; counts once confirmed');
            $table->timestamp('code_confirmed_at')->nullable();
            $table->unsignedBigInteger('code_step')->default(0)->comment('the last time step a code was used for: none is used twice');
            $table->json('recovery_codes')->nullable()->comment('SHA-256 of each that is left');
        });
        Schema::create('client_trainer', function (Blueprint $table): void {
            $table->foreignUlid('client_id')->constrained();
            $table->foreignUlid('trainer_id')->constrained();
            $table->ulid('studio_id')->index();
            $table->primary(['client_id', 'trainer_id']);
        });
        Schema::create('links', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('kind', 20)->comment('set-up, invitation or password');
            $table->foreignUlid('studio_id')->nullable()->constrained();
            $table->foreignUlid('trainer_id')->nullable()->comment('whose password it sets')->constrained();
            $table->char('hash', 64)->comment('SHA-256 of the secret half');
            $table->string('name', 200)->nullable();
            $table->string('email', 200)->nullable();
            $table->string('role', 10)->nullable();
            $table->string('made_by', 200)->nullable();
            $table->timestamp('expires_at');
            $table->timestamp('used_at')->nullable();
            $table->timestamp('revoked_at')->nullable();
            $table->timestamp('created_at');
        });
        Schema::create('events', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('studio_id')->constrained();
            $table->foreignUlid('client_id')->nullable()->constrained();
            $table->foreignUlid('trainer_id')->nullable()->comment('null where it was done from the shell of the machine')->constrained();
            $table->string('act', 60);
            $table->string('detail', 300)->nullable();
            $table->timestamp('created_at');
            $table->index(['studio_id', 'id']);
            $table->index(['client_id', 'id']);
        });

        DB::statement('insert into client_trainer (client_id, trainer_id, studio_id) select clients.id, trainers.id, '
            .'clients.studio_id from clients join trainers on trainers.studio_id = clients.studio_id');
        DB::statement('update trainers join (select studio_id, min(concat(created_at, id)) as first from trainers group by studio_id) '
            .'as firsts on firsts.studio_id = trainers.studio_id and firsts.first = concat(trainers.created_at, trainers.id) '
            ."set role = 'owner'");
        DB::statement('insert into events (studio_id, client_id, trainer_id, act, detail, created_at) '
            ."select studio_id, client_id, trainer_id, 'Changed', label, created_at from changes order by id");
    }
};
