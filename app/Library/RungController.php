<?php

declare(strict_types=1);

namespace App\Library;

use App\Http\Body;
use App\Support\Controller;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Figure\Angles;
use EvenRungs\Core\Figure\Body as Figured;
use EvenRungs\Core\Figure\Drag;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Figure\Figure;
use EvenRungs\Formats\FigureJson;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\KeptDrawings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * The rungs of the library: found, shown, drawn.
 */
final class RungController extends Controller
{
    public function __construct(private readonly DataFolder $data, private readonly RungPage $page)
    {
    }

    public function search(Request $request, RungSearch $search): JsonResponse
    {
        $wanted = array_filter($request->query->all(), is_string(...));

        $found = $search->find($wanted);
        $suggested = $found === [] ? $this->data->library()->suggestions($wanted['q'] ?? '') : [];

        return new JsonResponse([
            'rungs' => array_map($this->page->brief(...), $suggested === [] ? $found : $suggested),
            'suggested' => $suggested !== [],
        ]);
    }

    public function show(string $rung): JsonResponse
    {
        $library = $this->data->library();
        abort_unless($library->hasRung($rung), 404);

        return new JsonResponse($this->page->of($library->rung($rung)));
    }

    /** Where start and end of every shipped rung and every move of preparation are drawn, and the studio's own. */
    public function figures(KeptDrawings $drawings): JsonResponse
    {
        return new JsonResponse([
            'drawn' => '/drawn/'.$drawings->name(),
            'figures' => (object) KeptDrawings::of($this->data->ownLadders()),
        ]);
    }

    /** A figure while it is being written. */
    public function draw(Request $request): JsonResponse
    {
        $figure = FigureJson::read(Body::read($request, 'DrawRequest')->child('figure'), $this->data->poses());

        return new JsonResponse(FigureJson::drawing(Drawing::of($figure, Tempo::unwritten())));
    }

    /** A joint of a figure that is being written, drawn to another place. */
    public function drag(Request $request): JsonResponse
    {
        $body = Body::read($request, 'DragRequest');
        $figure = FigureJson::read($body->child('figure'), $this->data->poses());
        $dragged = $body->guard(static fn (): Figure => (
            new Drag($figure, $body->string('joint'), $body->bool('of_end'), $body->bool('alike'))
        )->to([(float) $body->number('right'), (float) $body->number('down')]));

        return new JsonResponse([
            'figure' => FigureJson::write($dragged),
            'drawing' => FigureJson::drawing(Drawing::of($dragged, Tempo::unwritten())),
        ]);
    }

    public function poses(): JsonResponse
    {
        $points = array_keys(Figured::of(Angles::of([]))->points);

        return new JsonResponse([
            'poses' => array_map(FigureJson::writeBase(...), array_values($this->data->poses())),
            'handles' => array_map(
                static fn (string $joint): array => ['joint' => $joint, 'point' => array_search($joint, $points, true)],
                Drag::joints(),
            ),
        ]);
    }

    /** A new rung like this one. */
    public function draft(string $rung, DraftDocument $drafts): JsonResponse
    {
        $library = $this->data->library();
        abort_unless($library->hasRung($rung), 404);

        return new JsonResponse(['rung' => $drafts->like($library->rung($rung))]);
    }
}
