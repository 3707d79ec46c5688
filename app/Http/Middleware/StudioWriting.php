<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Trainer;
use Closure;
use EvenRungs\Core\Writing;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Everything that is said in answer to a request is written with the units and days of the studio of whoever asks, and with doses as
 * they like to read them.
 */
final class StudioWriting
{
    private const DAYS = ['dmy' => 'j M Y', 'mdy' => 'M j, Y', 'ymd' => 'Y-m-d'];

    /** Languages whose days begin with the month. */
    private const MONTH_FIRST = ['en-us', 'en-ph', 'es-us'];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $trainer = $request->user();
        $studio = $trainer instanceof Trainer ? $trainer->studio : null;
        if ($studio === null) {
            return $next($request);
        }
        $days = self::DAYS[$studio->date_format] ?? self::DAYS[self::ofDevice($request)];

        $writing = new Writing($studio->units === 'imperial', $days, $trainer->doses === 'words');

        return $writing->during(static fn (): Response => $next($request));
    }

    /** @return 'dmy'|'mdy' */
    private static function ofDevice(Request $request): string
    {
        $first = strtolower(str_replace('_', '-', $request->getLanguages()[0] ?? ''));

        return in_array($first, self::MONTH_FIRST, true) ? 'mdy' : 'dmy';
    }
}
