<?php

declare(strict_types=1);

namespace App\Copies;

use App\Clients\Erasure;
use App\Http\Body;
use App\Models\Client;
use App\Models\Studio;
use App\Support\Controller;
use App\Support\Happened;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/**
 * A client or the studio as a file, a client out of one, and a client out of everything.
 */
final class CopyController extends Controller
{
    public function __construct(private readonly TakeOutDocument $takeOut, private readonly Happened $happened)
    {
    }

    public function client(Client $client): Response
    {
        return self::file($this->takeOut->client($client), $client->name);
    }

    public function studio(): Response
    {
        $studio = Studio::query()->whereKey($this->trainer()->studio_id)->firstOrFail();

        return self::file($this->takeOut->studio($studio), $studio->name);
    }

    /** What a file holds and what reading it in would bring. Keeps nothing. */
    public function checkReadIn(Request $request, ReadInPage $page): JsonResponse
    {
        return new JsonResponse($page->of($this->trainer(), (string) $request->getContent()));
    }

    public function readIn(Request $request, ReadIn $readIn, ReadIns $kept): JsonResponse
    {
        $own = ReadIns::own($this->trainer()->studio_id);
        $client = $readIn->client($this->trainer(), (string) $request->getContent());
        [$ladders, $styles] = array_map(array_diff(...), ReadIns::own($this->trainer()->studio_id), $own);
        $kept->entered($this->trainer(), 'a take-out', [$client], array_values($ladders), array_values($styles));
        $this->happened->about($client->name);

        return new JsonResponse(['id' => $client->id, 'name' => $client->name], 201);
    }

    /** Takes a client out of every table. Their name is typed, so that it is no slip. */
    public function erase(Request $request, Client $client): JsonResponse
    {
        if (trim(Body::read($request, 'EraseRequest')->string('name')) !== $client->name) {
            throw UnusableInput::at('/name', sprintf('Type the name as it is written here: %s', $client->name));
        }
        Erasure::client($client->id);

        return new JsonResponse(null, 204);
    }

    private static function file(string $text, string $name): Response
    {
        return new Response($text, 200, [
            'Content-Type' => 'application/json; charset=utf-8',
            'Content-Disposition' => sprintf(
                'attachment; filename="even-rungs-%s.json"',
                Str::slug($name) === '' ? 'take-out' : Str::slug($name),
            ),
        ]);
    }
}
