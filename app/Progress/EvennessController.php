<?php

declare(strict_types=1);

namespace App\Progress;

use App\Http\Body;
use App\Models\Client;
use App\Support\Controller;
use App\Support\Ledger;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * How even a client is, what evens them out as part of the plan, and their own aims beside it.
 */
final class EvennessController extends Controller
{
    public function __construct(
        private readonly EvennessPage $page,
        private readonly EvenOuts $evenOuts,
        private readonly OwnAims $aims,
        private readonly Ledger $ledger,
    ) {
    }

    public function show(Client $client): JsonResponse
    {
        return new JsonResponse($this->page->of($client));
    }

    public function take(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'EvenOutRequest');
        $this->ledger->change(
            $client,
            $body->int('version'),
            fn (Client $locked) => $this->evenOuts->take($locked, $this->trainer(), $body),
        );

        return $this->show($client->refresh());
    }

    public function letGo(Request $request, Client $client, int $choice): JsonResponse
    {
        $this->ledger->change(
            $client,
            Body::read($request, 'VersionRequest')->int('version'),
            fn (Client $locked) => $this->evenOuts->letGo($locked, $this->trainer(), $choice),
        );

        return $this->show($client->refresh());
    }

    public function addAim(Request $request, Client $client): JsonResponse
    {
        $this->aims->add($client, $this->trainer(), Body::read($request, 'OwnAimRequest'));

        return $this->show($client);
    }

    public function changeAim(Request $request, Client $client, int $aim): JsonResponse
    {
        $this->aims->change($client, $aim, Body::read($request, 'OwnAimChange'));

        return $this->show($client);
    }
}
