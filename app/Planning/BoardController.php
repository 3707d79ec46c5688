<?php

declare(strict_types=1);

namespace App\Planning;

use App\Http\Body;
use App\Library\RungPage;
use App\Models\Client;
use App\Progress\ForecastView;
use App\Support\Controller;
use App\Support\Ledger;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Road;
use EvenRungs\Core\Placement\Swap;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The board of one client: the wall, the week and what can be undone. Every command answers with the board as it became.
 */
final class BoardController extends Controller
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly BoardView $view,
    ) {
    }

    public function show(Client $client): JsonResponse
    {
        return new JsonResponse($this->view->of($this->boards->load($client)));
    }

    public function move(Request $request, Client $client, MoveRung $move): JsonResponse
    {
        $body = Body::read($request, 'MoveRequest');
        $before = $move->to(
            $client,
            $this->trainer(),
            $body->int('version'),
            $body->string('rung'),
            $body->optionalInt('step') ?? 0,
            $body->optionalString('note'),
        );
        if (! ($body->has('changes_only') && $body->bool('changes_only'))) {
            return $this->board($client);
        }

        return new JsonResponse($this->view->changes($body->int('version'), $before, $this->boards->load($client->refresh())));
    }

    public function dose(Request $request, Client $client, ChangeDose $dose): JsonResponse
    {
        $body = Body::read($request, 'DoseRequest');
        $dose->as($client, $this->trainer(), $body->int('version'), $body);

        return $this->board($client);
    }

    public function swap(Request $request, Client $client, SwapExercise $swap): JsonResponse
    {
        $body = Body::read($request, 'SwapRequest');
        $swap->as($client, $this->trainer(), $body->int('version'), $body);

        return $this->board($client);
    }

    /** What may stand in for a rung for this client, with more limits where they are asked for. */
    public function swaps(Request $request, Client $client, string $rung, DataFolder $data, RungPage $page): JsonResponse
    {
        $library = $data->library();
        abort_unless($library->hasRung($rung), 404);
        $person = $this->boards->person($client);
        $spare = $request->query('spare');
        foreach (is_string($spare) && $spare !== '' ? explode(',', $spare) : [] as $limit) {
            $person = $person->with(
                new Limit(
                    $library->limits[$limit] ?? throw UnusableInput::at(
                        '/spare',
                        sprintf('there is no limit "%s"', mb_substr($limit, 0, 60)),
                    ),
                ),
            );
        }
        $swaps = (new Swaps($library, $this->boards->style($client)->plan->withoutLadders))->for($library->rung($rung), $person);

        return new JsonResponse([
            'for' => $page->brief($library->rung($rung)),
            'swaps' => array_map(
                static fn (Swap $swap): array => [
                    ...$page->brief($swap->rung),
                    'same_direction' => $swap->sameDirection,
                    'why' => $swap->why,
                ],
                $swaps,
            ),
        ]);
    }

    public function minutes(Client $client, string $rung, DataFolder $data): JsonResponse
    {
        abort_unless($data->library()->hasRung($rung), 404);

        return new JsonResponse($this->view->minutesOn($data->library()->rung($rung), $this->boards->load($client)));
    }

    public function road(Client $client, string $rung, DataFolder $data, ForecastView $forecasts): JsonResponse
    {
        $library = $data->library();
        abort_unless($library->hasRung($rung), 404);
        $board = $this->boards->load($client);

        return new JsonResponse(
            RoadView::of(
                Road::to(
                    $library->rung($rung),
                    $board->client,
                    $board->placements,
                    $library,
                    $board->steps(),
                    new Moves($library, $board->goal, $board->style),
                ),
                $board,
                $library,
                $forecasts->of($client),
            ),
        );
    }

    public function whyNot(Client $client, string $rung, DataFolder $data, ClientPlanner $planner): JsonResponse
    {
        $library = $data->library();
        abort_unless($library->hasRung($rung), 404);
        $wanted = $library->rung($rung);
        $where = WhyNotView::where($this->boards->program($client), $wanted, $library);

        return new JsonResponse(WhyNotView::of($wanted, $where, $where === [] ? $planner->whyNotPlanned($client, $wanted) : null));
    }

    public function aim(Request $request, Client $client, AimAtRung $aim): JsonResponse
    {
        $body = Body::read($request, 'AimRequest');
        $aim->at($client, $body->int('version'), $body->string('rung'), $body->bool('wanted'));

        return $this->board($client);
    }

    public function useLadders(Request $request, Client $client, ChooseLadders $ladders): JsonResponse
    {
        $body = Body::read($request, 'UsedLaddersRequest');
        $ladders->as($client, $body->int('version'), $body->has('ladders') ? $body->strings('ladders') : null);

        return $this->board($client);
    }

    public function follow(Request $request, Client $client, FollowStyle $follow): JsonResponse
    {
        $body = Body::read($request, 'StyleRequest');
        $follow->as($client, $this->trainer(), $body->int('version'), $body);

        return $this->board($client);
    }

    /** The week in two house styles side by side; nothing is stored. */
    public function twoStyles(Request $request, Client $client, TwoStylesView $styles, ClientPlanner $planner): JsonResponse
    {
        $body = Body::read($request, 'TwoStylesRequest');
        foreach (['one', 'other'] as $which) {
            $planner->checkStyle($body->string($which), '/'.$which);
        }

        return new JsonResponse($styles->of($client, $body->string('one'), $body->string('other')));
    }

    public function whatIf(Request $request, Client $client, WhatIf $whatIf): JsonResponse
    {
        return new JsonResponse($this->view->of($whatIf->of($client, Body::read($request, 'WhatIfRequest'))));
    }

    /** The program as it would be, as a file. */
    public function whatIfFile(Request $request, Client $client, WhatIf $whatIf, ProgramFile $files): Response
    {
        $program = $whatIf->of($client, Body::read($request, 'WhatIfRequest'))->program
            ?? throw UnusableInput::at('/', 'nothing is planned with these wishes');

        return $files->of($program, ProgramFile::form($request), null, null);
    }

    public function plan(Request $request, Client $client, PlanAnew $plan): JsonResponse
    {
        $plan->from($client, $this->trainer(), Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    public function keepPlan(Request $request, Client $client, PlanAnew $plan): JsonResponse
    {
        $plan->keep($client, $this->trainer(), Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    /** The present week beside the first of a program planned anew, and what of the trainer's own stays; nothing is stored. */
    public function planPreview(Client $client, PlanAskedView $preview): JsonResponse
    {
        return new JsonResponse($preview->of($client));
    }

    public function undo(Request $request, Client $client, Ledger $ledger): JsonResponse
    {
        $ledger->undo($client, Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    public function redo(Request $request, Client $client, Ledger $ledger): JsonResponse
    {
        $ledger->redo($client, Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    private function board(Client $client): JsonResponse
    {
        return new JsonResponse($this->view->of($this->boards->load($client->refresh())));
    }
}
