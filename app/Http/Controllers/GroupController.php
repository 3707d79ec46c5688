<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Board\BoardLoader;
use App\Board\BoardView;
use App\Http\Body;
use App\Models\Client;
use EvenRungs\Core\Body\SafetyScreen;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\DoseChooser;
use EvenRungs\Core\Planning\GroupCircuit;
use EvenRungs\Core\Planning\GroupMember;
use EvenRungs\Core\Planning\GroupPlace;
use EvenRungs\Core\Session\Change;
use EvenRungs\Core\Session\CircuitBlock;
use EvenRungs\Core\Session\Day;
use EvenRungs\Core\Session\Entry;
use EvenRungs\Core\Session\Kind;
use EvenRungs\Core\Session\Session;
use EvenRungs\Core\Session\SessionTime;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * One clock for a small group, each on their own rung. Nothing is stored.
 */
final class GroupController extends Controller
{
    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    public function plan(Request $request): JsonResponse
    {
        $body = Body::read($request, 'GroupRequest');
        $library = $this->data->library();
        $members = array_map($this->member(...), $body->strings('clients'));
        $style = $this->data->style(DataFolder::DEFAULT_STYLE);
        $circuit = new GroupCircuit(new Swaps($library, $style->plan->withoutLadders), new DoseChooser($style));
        $names = [];
        foreach ($members as $member) {
            $names[$member->id] = $member->client->name;
        }
        $stations = [];
        foreach ($body->strings('stations') as $i => $id) {
            if (! $library->hasLadder($id)) {
                throw UnusableInput::at('/stations/'.$i, sprintf('there is no ladder "%s"', $id));
            }
            $ladder = $library->ladder($id);
            $stations[] = [
                'ladder' => $ladder->id,
                'name' => $ladder->name,
                'category' => $ladder->category->value,
                'places' => array_map(static fn (GroupPlace $place): array => [
                    'client' => $place->member,
                    'name' => $names[$place->member],
                    'rung' => $place->rung?->id,
                    'exercise' => $place->rung?->name,
                    'setup' => $place->rung === null ? [] : $place->rung->coaching()->setup,
                    'dose' => $place->dose === null ? null : Shorthand::write($place->dose->withSets(1)->withRest(null)),
                    'words' => $place->dose === null ? null : Wording::of($place->dose->withSets(1)->withRest(null)),
                    'swapped' => $place->swapped,
                    'why' => $place->why,
                ], $circuit->station($ladder, $members)),
            ];
        }
        $dose = new Dose(new Work(Seconds::of($body->number('work_s'))), 1, null, Seconds::of($body->number('rest_s')));
        $session = new Session(
            Day::Monday,
            Kind::Standalone,
            [new CircuitBlock(array_map(static fn (int $i): Entry => new Entry('Station '.($i + 1), $dose), array_keys($stations)), $body->int('rounds'), Seconds::zero(), Seconds::zero())],
            Seconds::of($body->number('warm_up_s')),
            Seconds::of($body->number('cool_down_s')),
            Change::none(),
        );
        $time = SessionTime::of($session, $library)->time;

        return new JsonResponse([
            'stations' => $stations,
            'total' => BoardView::clock($time->total()),
            'work' => BoardView::clock(Seconds::ofMs($time->workMs)),
            'rest' => BoardView::clock(Seconds::ofMs($time->restMs)),
            'notes' => [
                ...($body->number('rest_s') < Change::usual()->station->toNumber() ? [sprintf('The rest of %s s is shorter than a change of stations usually takes (%s s).', $body->number('rest_s'), $body->number('rest_s') === 0 ? 10 : Change::usual()->station->toNumber())] : []),
                ...(count($members) > count($stations) ? ['There are more people than stations: some share one.'] : []),
            ],
        ]);
    }

    /** @throws UnusableInput where a clinician comes first */
    private function member(string $id): GroupMember
    {
        $record = Client::query()->ofStudio($this->trainer()->studio_id)->whereKey($id)->firstOrFail();
        $board = $this->boards->load($record);
        if ($board->client->screen === null || (new SafetyScreen)->referrals($board->client) !== []) {
            throw UnusableInput::at('/clients', sprintf('%s must be screened or see a clinician first', $record->name));
        }
        $placements = [];
        foreach ($board->placements as $placement) {
            $placements[$placement->ladder->id] = $placement;
        }

        return new GroupMember($id, $board->client, $placements);
    }
}
