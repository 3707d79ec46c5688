<?php

declare(strict_types=1);

namespace App\Calendar;

use App\Accounts\Secret;
use App\Models\CalendarLink;
use App\Models\Trainer;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * A private calendar address signs its trainer in for this one request, which can only read.
 */
final class CalendarAddress
{
    public const LINK = 'calendar-link';

    /** Not oftener is it written that a calendar asked. */
    private const SEEN_EVERY_MINUTES = 10;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $token = $request->route('token');
        [$id, $secret] = [...explode('.', is_string($token) ? $token : '', 2), ''];
        $link = CalendarLink::query()->whereKey($id)->first();
        if (! Secret::opens($secret, $link?->hash) || $link === null || $link->revoked_at !== null) {
            abort(404);
        }
        $trainer = Trainer::query()->findOrFail($link->trainer_id);
        abort_unless($trainer->disabled_at === null, 404);
        if ($link->seen_at === null || $link->seen_at->diffInMinutes(Carbon::now()) >= self::SEEN_EVERY_MINUTES) {
            $link->update(['seen_at' => Carbon::now()]);
        }
        Auth::setUser($trainer);
        $request->setUserResolver(static fn (): Trainer => $trainer);
        $request->attributes->set(self::LINK, $link);

        return $next($request);
    }
}
