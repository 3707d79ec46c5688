<?php

declare(strict_types=1);

namespace App\Line;

use App\Http\Body;
use App\Support\Controller;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The studio's camera, where it has one: what it sees now.
 */
final class CameraController extends Controller
{
    public function __construct(private readonly CameraLine $camera)
    {
    }

    public function show(): JsonResponse
    {
        $name = $this->camera->name();

        return new JsonResponse(['name' => $name, 'simulated' => $name === CameraLine::SIMULATED]);
    }

    public function frame(): Response
    {
        $frame = $this->camera->frame();
        if ($frame === null) {
            abort(404);
        }

        return new Response($frame, 200, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'no-store']);
    }

    public function play(Request $request): JsonResponse
    {
        $body = Body::read($request, 'CameraPlayRequest');
        if (! $this->camera->play($body->string('rung'), $body->string('play'))) {
            throw UnusableInput::at('/play', 'only the simulated camera plays, and it does not answer');
        }

        return $this->show();
    }
}
