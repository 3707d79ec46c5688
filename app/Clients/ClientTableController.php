<?php

declare(strict_types=1);

namespace App\Clients;

use App\Copies\ReadIns;
use App\Http\Body;
use App\Http\Progress;
use App\Models\Client;
use App\Support\Controller;
use EvenRungs\Formats\ClientCsv;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * Clients from a table that was kept elsewhere: looked at first, then all of them entered or none.
 */
final class ClientTableController extends Controller
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly ClientDocument $documents,
        private readonly Progress $progress,
    ) {
    }

    /** What a table holds, and whose names are here already. Enters nobody. */
    public function check(Request $request): JsonResponse
    {
        $here = Client::query()->seenBy($this->trainer())->get()->map(static fn (Client $each): string => mb_strtolower($each->name));
        $clients = ClientCsv::read(Body::read($request, 'ClientTableRequest')->string('csv'), $this->data->library());

        return new JsonResponse(['clients' => array_map(static fn (array $each): array => [
            'name' => $each['name'],
            'days' => (object) $each['days'],
            'equipment' => $each['equipment'],
            'limits' => array_map(static fn (mixed $limit): string => is_array($limit) ? implode(', ', $limit) : $limit, $each['limits']),
            'is_here' => $here->contains(mb_strtolower($each['name'])),
        ], $clients)]);
    }

    /** Enters everybody of a table, placed as untested; nobody is planned before the screen was asked. */
    public function enter(Request $request, StartClient $start, ReadIns $readIns): JsonResponse
    {
        $clients = ClientCsv::read(Body::read($request, 'ClientTableRequest')->string('csv'), $this->data->library());
        if ($clients === []) {
            throw UnusableInput::at('/csv', 'has no rows');
        }
        DB::transaction(function () use ($clients, $start, $readIns): void {
            $entered = [];
            foreach ($clients as $i => $each) {
                $this->progress->came($i, count($clients));
                [$name, $document] = $this->documents->read(new Node(['document' => $each]));
                $client = Client::query()->create(['studio_id' => $this->trainer()->studio_id, 'name' => $name, 'document' => $document]);
                $client->belongsWith($this->trainer());
                $start->of($client, $this->trainer());
                $entered[] = $client;
            }
            $readIns->entered($this->trainer(), 'a table of clients', $entered);
        });

        return new JsonResponse(['entered' => count($clients)]);
    }
}
