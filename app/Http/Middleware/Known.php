<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\StudioDay;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What the asker knows already is not worked out and not sent again: an answer is known by everything that it depends on, which is the
 * program itself, the day, who asks and in what language, the studio, and the client or all clients, each with its stamp.
 */
final class Known
{
    /** Of no client: tables and drawings. */
    public const TABLES = 'tables';

    /** Set on a request whose answer is not the last word yet. */
    public const UNSETTLED = 'unsettled';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $of = ''): Response
    {
        $trainer = $request->user();
        if (! $request->isMethod('GET') || $request->header('Accept') === InPieces::LINES || ! $trainer instanceof Trainer) {
            return $next($request);
        }
        // before anything is read: what changes in between is sent, and known by an older name
        $tag = '"'.md5(serialize($this->dependsOn($request, $trainer, $of))).'"';
        $known = array_map(static fn (string $each): string => preg_replace('#^W/#', '', $each) ?? '', $request->getETags());
        $response = in_array($tag, $known, true) ? new Response(status: 304) : $next($request);
        $isKnown = $response->getStatusCode() === 304 || ($response->getStatusCode() === 200 && $response instanceof JsonResponse);
        if ($isKnown && ! $request->attributes->has(self::UNSETTLED)) {
            $response->headers->set('ETag', $tag);
            $response->headers->set('Cache-Control', 'private, no-cache');
            // who asks and in what language is in the tag: a cookie that is sealed anew each time makes it no other answer
            $response->headers->set('Vary', 'Accept');
        }

        return $response;
    }

    /** @return list<mixed> */
    private function dependsOn(Request $request, Trainer $trainer, string $of): array
    {
        $client = $request->route('client');

        return [
            getenv('EVEN_RUNGS_SERVED'),
            $request->getRequestUri(),
            $request->header('Accept-Language'),
            StudioDay::today()->toDateString(),
            array_diff_key($trainer->getAttributes(), ['password' => 0, 'code_step' => 0]),
            $trainer->studio->getAttributes(),
            match (true) {
                $client instanceof Client => $client->getAttributes(),
                $of === self::TABLES => [],
                default => Client::query()->seenBy($trainer)->toBase()->get(['id', 'stamp', 'version', 'archived_at'])->all(),
            },
        ];
    }
}
