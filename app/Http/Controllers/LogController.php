<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Board\Logs;
use App\Http\Body;
use App\Models\Client;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * What was really done, and the verdicts that follow.
 */
final class LogController extends Controller
{
    public function __construct(private readonly Logs $logs)
    {
    }

    public function show(Client $client): JsonResponse
    {
        return new JsonResponse($this->logs->of($client));
    }

    public function add(Request $request, Client $client): JsonResponse
    {
        $this->logs->add($client, $this->trainer(), Body::read($request, 'LogRequest'));

        return $this->show($client);
    }

    public function remove(Client $client, int $session): JsonResponse
    {
        $this->logs->remove($client, $session);

        return $this->show($client);
    }

    public function answer(Request $request, Client $client): JsonResponse
    {
        $this->logs->answer($client, $this->trainer(), Body::read($request, 'VerdictAnswerRequest'));

        return $this->show($client->refresh());
    }
}
