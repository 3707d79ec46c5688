<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/**
 * Refuses addresses that are no text.
 */
final class WellFormed
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $address = rawurldecode($request->getRequestUri());
        if (! mb_check_encoding($address, 'UTF-8') || str_contains($address, "\0")) {
            throw new BadRequestHttpException;
        }

        return $next($request);
    }
}
