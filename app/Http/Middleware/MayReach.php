<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Accounts\Role;
use App\Models\Trainer;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/**
 * Lets in who may do at least so much, and is not disabled.
 */
final class MayReach
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $least): Response
    {
        $trainer = $request->user();
        if (! $trainer instanceof Trainer || $trainer->disabled_at !== null) {
            throw new AuthenticationException;
        }
        if (! $trainer->role->reaches(Role::from($least))) {
            throw new AccessDeniedHttpException;
        }

        return $next($request);
    }
}
