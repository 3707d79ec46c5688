<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Board\BoardLoader;
use App\Board\BoardView;
use App\Board\ClientCommands;
use App\Http\Body;
use App\Models\Client;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * The board of one client: the wall, the week and what can be undone. Every command answers with the board as it became.
 */
final class BoardController extends Controller
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly BoardView $view,
        private readonly ClientCommands $commands,
    ) {
    }

    public function show(Client $client): JsonResponse
    {
        return $this->board($client);
    }

    public function move(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'MoveRequest');
        $this->commands->move($client, $this->trainer(), $body->int('version'), $body->string('rung'), $body->optionalInt('step') ?? 0);

        return $this->board($client);
    }

    public function dose(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'DoseRequest');
        $this->commands->changeDose($client, $this->trainer(), $body->int('version'), $body);

        return $this->board($client);
    }

    public function plan(Request $request, Client $client): JsonResponse
    {
        $this->commands->plan($client, $this->trainer(), Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    public function undo(Request $request, Client $client): JsonResponse
    {
        $this->commands->undo($client, Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    public function redo(Request $request, Client $client): JsonResponse
    {
        $this->commands->redo($client, Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    private function board(Client $client): JsonResponse
    {
        return new JsonResponse($this->view->of($this->boards->load($client->refresh())));
    }
}
