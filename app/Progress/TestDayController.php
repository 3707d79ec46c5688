<?php

declare(strict_types=1);

namespace App\Progress;

use App\Http\Body;
use App\Models\Client;
use App\Support\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class TestDayController extends Controller
{
    public function __construct(private readonly TestDays $days, private readonly TestDaysPage $page)
    {
    }

    public function show(Client $client): JsonResponse
    {
        return new JsonResponse($this->page->of($client));
    }

    public function store(Request $request, Client $client): JsonResponse
    {
        $this->days->add($client, $this->trainer(), Body::read($request, 'TestDayRequest'));

        return new JsonResponse($this->page->of($client->refresh()));
    }
}
