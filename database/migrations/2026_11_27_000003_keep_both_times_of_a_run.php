<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('logged_sessions', function (Blueprint $table): void {
            $table->string(
                'device_time',
                30,
            )->nullable()->comment('what the clock of the device said when it sent the run; only where it was off');
            $table->timestamp('received_at')->nullable()->comment('when it came in, then');
        });
    }
};
