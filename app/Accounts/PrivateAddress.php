<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Trainer;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * A private address signs in whoever made it for this one request, which can only read. Nobody who is disabled is signed in.
 */
abstract class PrivateAddress
{
    /** How such an address ends: the number of its row and the secret. */
    public const PATTERN = '[0-9a-z]{26}\.[A-Za-z0-9_-]{43}';

    private const OPENED = 'opened-by-secret';

    /** What the number leads to. */
    abstract protected function row(string $id): ?OpenedBySecret;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $token = $request->route('token');
        [$id, $secret] = [...explode('.', is_string($token) ? $token : '', 2), ''];
        $row = $this->row($id);
        $opener = Secret::opens($secret, $row?->hash()) ? $row?->opener() : null;
        if ($opener === null || $opener->disabled_at !== null) {
            abort(404);
        }
        Auth::setUser($opener);
        $request->setUserResolver(static fn (): Trainer => $opener);
        $request->attributes->set(self::OPENED, $row);

        return $next($request);
    }

    /** What the address of a request led to. */
    public static function opened(Request $request): mixed
    {
        return $request->attributes->get(self::OPENED);
    }
}
