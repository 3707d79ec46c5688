<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/**
 * The session of a request. Reading a page changes nothing in it, so that nothing has to be written.
 */
final class KeptSession extends StartSession
{
    /** @param  Session  $session */
    protected function storeCurrentUrl(Request $request, $session): void
    {
    }

    /** Whoever signs in clears away what has expired (SignedInSessions). */
    protected function collectGarbage(Session $session): void
    {
    }
}
