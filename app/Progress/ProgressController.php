<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Support\Controller;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * What became of a client over months.
 */
final class ProgressController extends Controller
{
    private const MONTHS = ['3' => 3, '6' => 6, '12' => 12];

    private const WITHOUT_ASKING = 6;

    public function __construct(private readonly ProgressPage $page)
    {
    }

    public function show(Request $request, Client $client): JsonResponse
    {
        $asked = $request->query('months');
        $months = $asked === null ? self::WITHOUT_ASKING : self::MONTHS[is_string($asked) ? $asked : ''] ?? throw UnusableInput::at(
            '/months',
            'must be 3, 6 or 12',
        );

        return new JsonResponse($this->page->of($client, $months));
    }
}
