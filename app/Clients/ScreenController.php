<?php

declare(strict_types=1);

namespace App\Clients;

use App\Http\Body;
use App\Models\Client;
use App\Planning\BoardLoader;
use App\Support\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * The screen of one client: dated answers, clearances, and when it is due again.
 */
final class ScreenController extends Controller
{
    public function __construct(private readonly ScreenPage $page, private readonly BoardLoader $boards)
    {
    }

    public function show(Client $client): JsonResponse
    {
        return new JsonResponse($this->page->of($client, $this->boards->person($client), $this->boards->style($client)->monitorsPain));
    }

    public function ask(Request $request, Client $client, ChangeClient $change): JsonResponse
    {
        $change->asked($client, $this->trainer(), Body::read($request, 'ScreenRequest'));

        return $this->show($client->refresh());
    }

    public function clear(Request $request, Client $client, RecordClearance $clearance): JsonResponse
    {
        $clearance->from($client, $this->trainer(), Body::read($request, 'ClearanceRequest'));

        return $this->show($client->refresh());
    }

    public function withdraw(Request $request, Client $client, int $clearance, RecordClearance $record): JsonResponse
    {
        $record->withdraw($client, Body::read($request, 'VersionRequest')->int('version'), $clearance);

        return $this->show($client->refresh());
    }
}
