<?php

declare(strict_types=1);

namespace App\Copies;

use App\Http\Body;
use App\Models\Client;
use App\Models\ReadInRow;
use App\Support\Controller;
use App\Support\Happened;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * What comes in from elsewhere into what is here, and its undoing.
 */
final class ReadInController extends Controller
{
    public function __construct(private readonly ReadIns $readIns, private readonly Happened $happened)
    {
    }

    /** What the trainer read in lately and could undo. */
    public function index(): JsonResponse
    {
        return new JsonResponse(['read_ins' => array_values($this->readIns->lately($this->trainer())->map(
            static fn (ReadInRow $row): array => [
                'id' => $row->id,
                'what' => $row->what,
                'about' => $row->about,
                'at' => $row->created_at->toIso8601String(),
            ],
        )->all())]);
    }

    public function undo(int $change): JsonResponse
    {
        $this->happened->about($this->readIns->undo($this->trainer(), $change));

        return $this->index();
    }

    public function checkFhir(Request $request, Client $client, FhirReadIn $fhir, FhirReadInView $view): JsonResponse
    {
        return new JsonResponse($view->of($client, $fhir->read(Body::read($request, 'FhirTextRequest')->string('text'))));
    }

    public function fhir(Request $request, Client $client, FhirReadIn $fhir): JsonResponse
    {
        $body = Body::read($request, 'FhirReadInRequest');
        $fhir->into($client, $this->trainer(), $body->int('version'), $body->string('text'), $body->bool('keep_ours'));

        return $this->index();
    }
}
