<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/**
 * The forgery check. Whoever is signed in sends the token of their session. Nobody else has a session that could be kept, so what they send
 * must be JSON, which no foreign page can send unasked, and come from this host where the browser says where it comes from.
 */
final class SameOrigin extends ValidateCsrfToken
{
    /** @param  Request  $request */
    protected function tokensMatch($request): bool
    {
        if (Auth::check()) {
            return parent::tokensMatch($request);
        }
        $origin = $request->headers->get('Origin');

        return $request->isJson() && ($origin === null || parse_url($origin, PHP_URL_HOST) === $request->getHost());
    }
}
