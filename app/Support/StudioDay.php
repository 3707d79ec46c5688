<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Trainer;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/**
 * The day it is in the studio of whoever is signed in, by the studio's own time zone.
 */
final class StudioDay
{
    public static function today(): Carbon
    {
        $trainer = Auth::user();
        $zone = $trainer instanceof Trainer ? $trainer->studio->time_zone : 'UTC';

        return Carbon::parse(Carbon::now($zone)->toDateString(), 'UTC');
    }
}
