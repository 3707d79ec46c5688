<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Progress;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * Whoever asks for lines hears how far the work came (`{"done": 40, "of": 160}`) and, as the last line, what came of it
 * (`{"status": 200, "body": {}}`). Whoever goes away before the end gives the work up, and nothing of it stays.
 */
final class InPieces
{
    public const LINES = 'application/x-ndjson';

    public function __construct(private readonly Progress $progress)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->header('Accept') !== self::LINES) {
            return $next($request);
        }

        return new StreamedResponse(function () use ($request, $next): void {
            $this->progress->begin();
            try {
                $response = $next($request);
            } finally {
                $this->progress->end();
            }
            $this->progress->tell(['status' => $response->getStatusCode(), 'body' => json_decode((string) $response->getContent())]);
        }, 200, ['Content-Type' => self::LINES, 'X-Accel-Buffering' => 'no', 'Cache-Control' => 'no-store']);
    }
}
