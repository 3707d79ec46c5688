<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * A job that runs by itself runs on one node at a time: on whichever holds its row, which is claimed by one conditional update that is
 * committed at once. No lock is held while the job runs, so that a node that dies holds nobody up for longer than it had asked for.
 */
final class Lease
{
    /**
     * @param  string  $job  what runs, such as nightly-backup
     * @param  string  $holder  who asks; the same holder may ask again, which makes it longer
     * @param  int  $seconds  for how long from now, by the database's clock
     * @return bool whether it is the holder's now
     */
    public static function claim(string $job, string $holder, int $seconds): bool
    {
        DB::table('leases')->insertOrIgnore(['job' => $job, 'holder' => '', 'until' => '2000-01-01 00:00:00']);
        DB::update(
            'update leases set holder = ?, until = utc_timestamp() + interval ? second '
                .'where job = ? and (until <= utc_timestamp() or holder = ?)',
            [$holder, $seconds, $job, $holder],
        );

        return DB::table('leases')->where('job', $job)->where('holder', $holder)->whereRaw('until > utc_timestamp()')->exists();
    }
}
