<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/**
 * Several databases that hold the same: what one of them took is on its way to the others for some thousandths of a second. Reads wait
 * for that only where they would otherwise not see what the same person wrote before, or what a write was refused for. With one database
 * nothing is asked.
 */
final class Nodes
{
    private const MOST_S = 1;

    /** Stands for a place that was not known yet. */
    private const EVERYTHING = 'all';

    /** As MariaDB numbers what its nodes agreed on: domain, server, place in the order. */
    private const PLACE = '/^\d{1,10}-\d{1,10}-\d{1,19}$/D';

    private static function areSeveral(): bool
    {
        return (bool) config('database.several');
    }

    /**
     * What was written is kept already: that its place cannot be found out is no reason to say that it failed.
     *
     * @param  bool  $isStillWritten  it has no place yet
     * @return string|null the place of what this connection wrote last in the order that all nodes keep, or what stands for one that is
     *                     not known; null with one database
     */
    public static function written(bool $isStillWritten): ?string
    {
        if (! self::areSeveral()) {
            return null;
        }
        try {
            $place = $isStillWritten ? '' : (string) DB::scalar('select wsrep_last_written_gtid()');
        } catch (QueryException) {
            $place = '';
        }

        // a connection that wrote nothing is another than the one that did
        return preg_match(self::PLACE, $place) === 1 && ! str_ends_with($place, '-0') ? $place : self::EVERYTHING;
    }

    /**
     * Waits until the node that answers has what was written up to there. A place that does not come, since the cluster was made anew or
     * the node is far behind, is not waited for any longer, but everything that was written before now is.
     */
    public static function waitUpTo(?string $place): void
    {
        if ($place === self::EVERYTHING) {
            self::waitForAll();
        }
        if ($place === null || ! self::areSeveral() || preg_match(self::PLACE, $place) !== 1) {
            return;
        }
        try {
            DB::scalar('select wsrep_sync_wait_upto_gtid(?, ?)', [$place, self::MOST_S]);
        } catch (QueryException) {
            self::waitForAll();
        }
    }

    /**
     * Waits until the node that answers has everything that any node took before now.
     *
     * @throws ServiceUnavailableHttpException where it is too far behind, or apart from the others
     */
    public static function waitForAll(): void
    {
        try {
            self::areSeveral() && DB::select('set statement wsrep_sync_wait = 1 for select 1');
        } catch (QueryException $e) {
            throw new ServiceUnavailableHttpException(1, 'This node is behind.', $e);
        }
    }
}
