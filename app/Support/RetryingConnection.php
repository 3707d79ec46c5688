<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Database\MariaDbConnection;

/**
 * A connection whose transactions are tried again where another got in their way: a deadlock on one server, or a commit that a cluster did
 * not certify. Within another transaction it is that one which is tried again.
 */
final class RetryingConnection extends MariaDbConnection
{
    private const TRIES = 3;

    /**
     * @param  int  $attempts  one is what nobody thought of
     */
    public function transaction(Closure $callback, $attempts = 1)
    {
        return parent::transaction($callback, max($attempts, self::TRIES));
    }
}
