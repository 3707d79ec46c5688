<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Board\BoardLoader;
use App\Board\BoardView;
use App\Board\SessionCommands;
use App\Http\Body;
use App\Models\Client;
use App\Sessions\Doors;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * A client walks in: today's session, rewritten for what is sore, how long there is, and what kit is there.
 */
final class DoorController extends Controller
{
    public function __construct(
        private readonly Doors $doors,
        private readonly BoardLoader $boards,
        private readonly BoardView $view,
        private readonly SessionCommands $commands,
    ) {
    }

    /** Planned and rewritten side by side; nothing is stored. */
    public function check(Request $request, Client $client): JsonResponse
    {
        return new JsonResponse($this->doors->of($this->boards->load($client), Body::read($request, 'DoorRequest')));
    }

    public function rewrite(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'DoorRequest');
        $door = $this->doors->rewrite($this->boards->load($client), $body);
        if ($door->session === null) {
            throw UnusableInput::at('/', $door->why ?? 'nothing of it remains for today');
        }
        $this->commands->save($client, $this->trainer(), $body->int('version'), $body->int('week'), $body->int('place'), $door->session);

        return new JsonResponse($this->view->of($this->boards->load($client->refresh())));
    }
}
