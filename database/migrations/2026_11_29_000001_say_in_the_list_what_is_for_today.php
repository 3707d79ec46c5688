<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** Rows of the list are worked out anew: those that are kept do not say what is for today. */
    public function up(): void
    {
        DB::table('roster_rows')->delete();
    }
};
