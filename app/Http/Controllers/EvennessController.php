<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Board\EvennessPage;
use App\Models\Client;
use Illuminate\Http\JsonResponse;

final class EvennessController extends Controller
{
    public function show(Client $client, EvennessPage $page): JsonResponse
    {
        return new JsonResponse($page->of($client));
    }
}
