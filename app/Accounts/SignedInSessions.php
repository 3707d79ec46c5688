<?php

declare(strict_types=1);

namespace App\Accounts;

use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Facades\Auth;

/**
 * Sessions in the database, of people who are signed in. Whoever is not leaves no row.
 */
final class SignedInSessions extends DatabaseSessionHandler
{
    /**
     * @param  string  $sessionId
     * @param  string  $data
     */
    public function write($sessionId, $data): bool
    {
        return ! Auth::check() || parent::write($sessionId, $data);
    }
}
