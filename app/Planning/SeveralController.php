<?php

declare(strict_types=1);

namespace App\Planning;

use App\Http\Body;
use App\Models\Client;
use App\Support\Controller;
use App\Support\Happened;
use EvenRungs\Core\Planning\Fit\FittedProgram;
use EvenRungs\Core\Program\Week;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Programs for several clients from one text: looked at first, then all of them begun or none.
 */
final class SeveralController extends Controller
{
    public function __construct(private readonly ProgramsOfSeveral $programs)
    {
    }

    public function check(Request $request): JsonResponse
    {
        $seen = $this->programs->seen($this->trainer(), Body::read($request, 'ProgramsTextRequest')->string('text'));

        return new JsonResponse(['programs' => array_map(self::shown(...), $seen)]);
    }

    public function take(Request $request, Happened $happened): JsonResponse
    {
        $taken = $this->programs->taken($this->trainer(), Body::read($request, 'ProgramsTextRequest')->string('text'));
        $happened->about($taken === 1 ? 'for one client' : "for {$taken} clients");

        return new JsonResponse(['taken' => $taken]);
    }

    /**
     * @param  array{Client, FittedProgram}  $seen
     * @return array{client: string, name: string, weeks: int, sessions: int, exercises: int, changes: list<array<mixed>>}
     */
    private static function shown(array $seen): array
    {
        [$client, $fitted] = $seen;
        $sessions = array_merge([], ...array_map(static fn (Week $week): array => $week->sessions, $fitted->program->weeks));

        return [
            'client' => $client->id,
            'name' => $client->name,
            'weeks' => count($fitted->program->weeks),
            'sessions' => count($sessions),
            'exercises' => array_sum(array_map(static fn ($session): int => count($session->entries()), $sessions)),
            'changes' => FitView::of($fitted),
        ];
    }
}
