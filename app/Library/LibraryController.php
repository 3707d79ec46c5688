<?php

declare(strict_types=1);

namespace App\Library;

use App\Planning\ClientPlanner;
use App\Support\Controller;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Log\Bands;
use EvenRungs\Core\Planning\Choice\Intent;
use EvenRungs\Core\Planning\Group\GroupCircuit;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

final class LibraryController extends Controller
{
    public function health(): JsonResponse
    {
        DB::select('select 1');

        return new JsonResponse(['status' => 'ready']);
    }

    /** What an address says that the API does not have. */
    public function nothing(): never
    {
        throw new NotFoundHttpException;
    }

    public function library(DataFolder $data): JsonResponse
    {
        return new JsonResponse([
            'library' => LibraryJson::write($data->library()),
            'flags' => array_map(static fn (Flag $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'urgency' => $each->urgency->value,
            ], array_values($data->flags())),
            'goals' => array_map(static fn (GoalRule $each): array => [
                'id' => $each->goal->value,
                'name' => $each->name,
                'intent' => $each->intent,
            ], array_values($data->goals())),
            'intents' => array_map(
                static fn (Intent $each): array => ['id' => $each->id, 'name' => $each->name, 'text' => $each->text],
                $data->intents(),
            ),
            'categories' => array_map(static fn (Category $each): array => [
                'code' => $each->value,
                'name' => $each->label(),
                'resists' => $each->resists(),
                'direction' => $each->isDirection(),
            ], Category::cases()),
            'numbers' => [
                'most_weeks' => WeekPlanner::MOST_WEEKS,
                'usual_weeks' => ClientPlanner::USUAL_WEEKS,
                'most_bands' => Bands::MOST,
                'most_stations' => GroupCircuit::MOST_STATIONS,
            ],
        ]);
    }

    public function schema(string $name): Response
    {
        $text = Schemas::text($name);
        abort_if($text === null, 404);

        return new Response($text, 200, ['Content-Type' => 'application/schema+json']);
    }
}
