<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Vite;
use Symfony\Component\HttpFoundation\Response;

/**
 * Headers that keep a page to its own scripts, styles and frames.
 */
final class SecurityHeaders
{
    /** Set on an answer that is a page of paper. */
    public const PAPER = 'X-Paper';

    /** Set on a client's own page, which names the one script that it may run. */
    public const OWN = 'X-Own-Page';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $nonce = Vite::useCspNonce();
        $response = $next($request);
        $response->headers->set(
            'Content-Security-Policy',
            "default-src 'self'; style-src 'self' 'nonce-$nonce'; img-src 'self' data: blob:; object-src 'none'; "
                ."base-uri 'self'; form-action 'self'; frame-ancestors 'none'",
        );
        if ($response->headers->get(self::PAPER) !== null) {
            // a page of paper, shown within a page of ours: no script at all, and its own styles
            $response->headers->set(
                'Content-Security-Policy',
                "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; frame-ancestors 'self'",
            );
        }
        if ($response->headers->get(self::OWN) !== null) {
            $response->headers->set('Content-Security-Policy', "frame-ancestors 'none'");
        }
        $response->headers->set('X-Content-Type-Options', 'nosniff');
        $response->headers->set('X-Frame-Options', $response->headers->get(self::PAPER) === null ? 'DENY' : 'SAMEORIGIN');
        $response->headers->set('Referrer-Policy', 'same-origin');
        $response->headers->set('Permissions-Policy', 'camera=(self), microphone=(), geolocation=()');

        return $response;
    }
}
