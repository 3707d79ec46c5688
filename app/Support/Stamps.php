<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Client;
use Illuminate\Support\Facades\DB;

/**
 * Every client and every studio carries a stamp, which is another after each change of anything that pages show of it. It is drawn at
 * random, so that what was rolled back or restored from a copy never comes to a stamp that meant something else.
 */
final class Stamps
{
    public static function client(Client $client): void
    {
        DB::table('clients')->where('id', $client->id)->update(['stamp' => self::fresh()]);
    }

    /** Something changed that all clients of a studio share, or that belongs to none of them. */
    public static function studio(string $studio): void
    {
        DB::table('studios')->where('id', $studio)->update(['stamp' => self::fresh()]);
    }

    private static function fresh(): string
    {
        return bin2hex(random_bytes(8));
    }
}
