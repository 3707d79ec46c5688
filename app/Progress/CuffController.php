<?php

declare(strict_types=1);

namespace App\Progress;

use App\Http\Body;
use App\Support\Controller;
use EvenRungs\Core\Review\Testing\Cuff;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * The pressure cuff: what it reads now.
 */
final class CuffController extends Controller
{
    public function __construct(private readonly CuffLine $cuff)
    {
    }

    public function show(): JsonResponse
    {
        $reading = $this->cuff->read();

        return new JsonResponse([
            'name' => $reading === null ? null : $this->cuff->name(),
            'mmhg' => $reading,
            'held' => $reading === null ? null : Cuff::isHeld($reading),
            'fault' => $reading === null ? null : Cuff::fault($reading),
            'target' => Cuff::TARGET_MMHG,
            'reach' => Cuff::REACH_MMHG,
        ]);
    }

    public function play(Request $request): JsonResponse
    {
        if (! $this->cuff->play(Body::read($request, 'CuffPlayRequest')->string('play'))) {
            throw UnusableInput::at('/play', 'only the simulated cuff plays, and it does not answer');
        }

        return $this->show();
    }
}
