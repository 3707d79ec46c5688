<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\Nodes;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * Where several databases hold the same, whoever wrote something sees it in what they ask next, whichever node answers: the answer to a
 * write says its place in the order of writes, and what is asked in the minute after it waits for that place. Nobody else waits.
 */
final class SeesOwnWrites
{
    public const COOKIE = 'even_rungs_wrote';

    private const MINUTES = 1;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $place = $request->cookie(self::COOKIE);
        Nodes::waitUpTo(is_string($place) ? $place : null);
        $response = $next($request);
        $wrote = ! $request->isMethodSafe() && $response->getStatusCode() < 400;
        // what comes in pieces is written while they are sent
        $place = $wrote ? Nodes::written($response instanceof StreamedResponse) : null;
        if ($place !== null) {
            $response->headers->setCookie(
                Cookie::create(self::COOKIE, $place, now()->addMinutes(self::MINUTES), secure: $request->isSecure()),
            );
        }

        return $response;
    }
}
