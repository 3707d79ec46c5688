<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Happened;
use App\Support\Nodes;
use App\Support\Stamps;
use Closure;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use PDOException;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/**
 * A write and its line in the record are kept together or not at all; where two writes got into each other's way, the one that gave way is
 * tried again.
 */
final class Recorded
{
    private const TRIES = 3;

    public function __construct(private readonly Happened $happened)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isMethodSafe()) {
            return $next($request);
        }
        for ($try = 1; ; $try++) {
            $level = DB::transactionLevel();
            DB::beginTransaction();
            try {
                $this->happened->forget();
                $response = $next($request);
                $failed = $response->getStatusCode() >= 400;
                $again = $failed && $try < self::TRIES && self::gaveWay($response->exception ?? null);
                if (! $failed) {
                    $trainer = $request->user();
                    $trainer instanceof Trainer && $this->keep($request, $trainer);
                    DB::commit();
                }
            } catch (PDOException $e) {
                // a cluster may refuse at the very end what another node has overtaken
                if ($try === self::TRIES || ! self::gaveWay($e)) {
                    throw $e;
                }
                $again = true;
            } finally {
                while (DB::transactionLevel() > $level) {
                    DB::rollBack();
                }
            }
            if (! $again) {
                return $response;
            }
            Nodes::waitForAll();
        }
    }

    private function keep(Request $request, Trainer $trainer): void
    {
        $this->happened->keep($request, $trainer);
        if (Happened::writes($request)) {
            $client = $request->route('client');
            $client instanceof Client ? Stamps::client($client) : Stamps::studio($trainer->studio_id);
        }
    }

    private static function gaveWay(?Throwable $e): bool
    {
        return $e !== null && (new ConcurrencyErrorDetector)->causedByConcurrencyError($e);
    }
}
