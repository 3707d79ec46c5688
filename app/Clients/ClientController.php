<?php

declare(strict_types=1);

namespace App\Clients;

use App\Http\Body;
use App\Models\Client;
use App\Planning\BoardLoader;
use App\Support\Controller;
use App\Support\Happened;
use App\Support\StaleVersion;
use EvenRungs\Formats\EvenedJson;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

final class ClientController extends Controller
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly Roster $roster,
        private readonly Happened $happened,
    ) {
    }

    public function index(): JsonResponse
    {
        return $this->listed(false);
    }

    public function archived(): JsonResponse
    {
        return $this->listed(true);
    }

    private function listed(bool $archived): JsonResponse
    {
        $clients = Client::query()->seenBy($this->trainer())->archived($archived)->ordered('name')->get();

        return new JsonResponse($this->roster->byNeed($this->trainer()->studio_id, $clients));
    }

    public function store(Request $request, StartClient $start): JsonResponse
    {
        [$name, $document] = $this->document(Body::read($request, 'NewClientRequest'));
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

    /** The whole document of the client: what the command line needs to name the same doses as the pages. */
    public function whole(Client $client, BoardLoader $boards): JsonResponse
    {
        return new JsonResponse(self::asObjects($boards->document($client)));
    }

    public function update(Request $request, Client $client, ChangeClient $change): JsonResponse
    {
        $body = Body::read($request, 'ClientRequest');
        $document = $this->document($body)[1];

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
            throw new StaleVersion(self::fields($client->refresh()));
        }

        return $this->record($client->refresh());
    }

    /** @return array{string, array<string, mixed>} the name and the document, which the core can read */
    private function document(Node $body): array
    {
        $person = $this->data->clients()->read($body->child('document'));

        // where somebody stands and what a clinician allowed is kept in rows of its own
        $document = array_diff_key(
            $body->opaque('document') ?? [],
            array_flip(['as_of', 'standings', 'stopped', 'clearances', 'ladders', 'x']),
        );
        $x = array_diff_key($body->child('document')->opaque('x') ?? [], array_flip([EvenedJson::HELD, EvenedJson::EXTRA_SETS]));

        return [$person->name, $x === [] ? $document : [...$document, 'x' => $x]];
    }

    private function record(Client $client, int $status = 200): JsonResponse
    {
        return new JsonResponse(self::fields($client), $status);
    }

    /** @return array<string, mixed> */
    private static function fields(Client $client): array
    {
        return [
            'id' => $client->id,
            'version' => $client->version,
            'archived' => $client->archived_at !== null,
            'document' => self::asObjects($client->document),
        ];
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed> what is empty and an object stays one
     */
    private static function asObjects(array $document): array
    {
        if (is_array($document['tests'] ?? null) && isset($document['tests']['ladders'])) {
            $document['tests']['ladders'] = (object) $document['tests']['ladders'];
        }
        foreach (['ability', 'days', 'tests', 'screen', 'x'] as $object) {
            if (isset($document[$object])) {
                $document[$object] = (object) $document[$object];
            }
        }

        return $document;
    }
}
