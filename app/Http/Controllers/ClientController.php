<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Board\BoardLoader;
use App\Board\ClientRow;
use App\Models\Client;
use Illuminate\Http\JsonResponse;

final class ClientController extends Controller
{
    public function index(BoardLoader $boards): JsonResponse
    {
        $clients = Client::query()->ofStudio($this->trainer()->studio_id)->active()->ordered('name')->get();

        return new JsonResponse(['clients' => $clients->map(static fn (Client $client): array => ClientRow::of($boards->load($client)))->all()]);
    }
}
