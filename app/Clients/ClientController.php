<?php

declare(strict_types=1);

namespace App\Clients;

use App\Http\Body;
use App\Http\Middleware\Known;
use App\Models\Client;
use App\Planning\BoardLoader;
use App\Support\Controller;
use App\Support\Happened;
use App\Support\StaleVersion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

final class ClientController extends Controller
{
    public function __construct(
        private readonly ClientDocument $documents,
        private readonly RosterPage $roster,
        private readonly Happened $happened,
    ) {
    }

    public function index(Request $request): JsonResponse
    {
        return $this->listed($request, false);
    }

    public function archived(Request $request): JsonResponse
    {
        return $this->listed($request, true);
    }

    private function listed(Request $request, bool $archived): JsonResponse
    {
        $clients = Client::query()->seenBy($this->trainer())->archived($archived)->ordered('name')->pluck('id')->map(strval(...));

        [$list, $behind] = $this->roster->byNeed($this->trainer()->studio_id, array_values($clients->all()));
        if ($behind > 0) {
            $request->attributes->set(Known::UNSETTLED, true);
        }

        return JsonResponse::fromJsonString($list);
    }

    public function store(Request $request, StartClient $start): JsonResponse
    {
        [$name, $document] = $this->documents->read(Body::read($request, 'NewClientRequest'));
        $client = DB::transaction(function () use ($name, $document, $start): Client {
            $client = Client::query()->create(['studio_id' => $this->trainer()->studio_id, 'name' => $name, 'document' => $document]);
            $client->belongsWith($this->trainer());
            $start->of($client, $this->trainer());
            $this->happened->about($name, $client);

            return $client;
        });

        return $this->record($client, 201);
    }

    public function show(Client $client): JsonResponse
    {
        return $this->record($client);
    }

    public function update(Request $request, Client $client, ChangeClient $change): JsonResponse
    {
        $body = Body::read($request, 'ClientRequest');
        $document = $this->documents->read($body)[1];

        return $this->changed($client, fn () => $change->to($client, $this->trainer(), $body->int('version'), $document));
    }

    public function archive(Request $request, Client $client, ArchiveClient $archive): JsonResponse
    {
        $version = Body::read($request, 'VersionRequest')->int('version');

        return $this->changed($client, fn () => $archive->as($client, $version, true));
    }

    public function restore(Request $request, Client $client, ArchiveClient $archive): JsonResponse
    {
        $version = Body::read($request, 'VersionRequest')->int('version');

        return $this->changed($client, fn () => $archive->as($client, $version, false));
    }

    /** @param  callable(): void  $change */
    private function changed(Client $client, callable $change): JsonResponse
    {
        try {
            $change();
        } catch (StaleVersion) {
            throw new StaleVersion(ClientDocument::fields($client->refresh()));
        }

        return $this->record($client->refresh());
    }

    /** The whole document of the client: what the command line needs to name the same doses as the pages. */
    public function whole(Client $client, BoardLoader $boards): JsonResponse
    {
        return new JsonResponse(ClientDocument::asObjects($boards->document($client)));
    }

    private function record(Client $client, int $status = 200): JsonResponse
    {
        return new JsonResponse(ClientDocument::fields($client), $status);
    }
}
