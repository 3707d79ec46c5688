<?php

declare(strict_types=1);

namespace App\Today;

use App\Http\Body;
use App\Models\Client;
use App\Planning\BoardLoader;
use App\Planning\ProgramFile;
use App\Support\Controller;
use EvenRungs\Core\Planning\Door\DoorSession;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * A client walks in: the planned session as what they say makes it, for this once. The plan stays as it is.
 */
final class DoorController extends Controller
{
    public function __construct(private readonly DoorView $doors, private readonly BoardLoader $boards)
    {
    }

    /** Planned and rewritten side by side; nothing is stored. */
    public function check(Request $request, Client $client): JsonResponse
    {
        return new JsonResponse($this->doors->of($this->boards->load($client), Body::read($request, 'DoorRequest')));
    }

    /** The session of today as a file. */
    public function file(Request $request, Client $client, ProgramFile $files): Response
    {
        $door = $this->doors->rewrite($this->boards->load($client), Body::read($request, 'DoorRequest'));

        return $files->ofSession(self::left($door), ProgramFile::form($request));
    }

    /** @throws UnusableInput where nothing of it is done today */
    private static function left(DoorSession $door): Session
    {
        return $door->session ?? throw UnusableInput::at('/', $door->why ?? 'nothing of it remains for today');
    }

    /** Everything a device needs to run it. */
    public function floor(Request $request, Client $client, FloorPlanPage $plans): JsonResponse
    {
        $body = Body::read($request, 'DoorRequest');
        $board = $this->boards->load($client);
        $door = $this->doors->rewrite($board, $body);
        $program = $board->program ?? new Program([]);
        [$week, $place] = [$body->int('week') - 1, $body->int('place') - 1];

        return new JsonResponse(
            $plans->ofClient(
                $this->trainer()->studio,
                $client,
                self::left($door),
                ProgramDates::keys($program)[$week][$place] ?? null,
                ProgramDates::of($program)?->session($week, $place),
                DoorView::kept($body, $door),
            ),
        );
    }
}
