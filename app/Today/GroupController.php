<?php

declare(strict_types=1);

namespace App\Today;

use App\Http\Body;
use App\Planning\ProgramFile;
use App\Support\ClockField;
use App\Support\Controller;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Planning\Group\GroupMember;
use EvenRungs\Core\Planning\Group\GroupPlace;
use EvenRungs\Core\Planning\Group\GroupTurns;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * One clock for a small group, each on their own rung. Nothing is stored.
 */
final class GroupController extends Controller
{
    public function __construct(private readonly DataFolder $data, private readonly Groups $groups)
    {
    }

    public function plan(Request $request): JsonResponse
    {
        $body = Body::read($request, 'GroupRequest');
        $studio = $this->trainer()->studio()->firstOrFail();
        $everybody = $this->groups->members($this->trainer(), $body);
        $members = Groups::training($everybody);
        $names = self::names($members);
        $stations = $this->groups->stations($body);
        $turns = $this->groups->turns($studio, $body, $stations, $members);
        $time = SessionTime::of($this->groups->session($body, count($stations)), $this->data->library())->time;

        return new JsonResponse([
            'stations' => array_map(fn (Ladder $ladder, int $station): array => [
                'ladder' => $ladder->id,
                'name' => $ladder->name,
                'category' => $ladder->category->value,
                'places' => array_map(static fn (GroupPlace $place, int $member): array => [
                    'turn' => 1 + $turns->turnAt($member, $station),
                    'client' => $place->member,
                    'name' => $names[$place->member],
                    'rung' => $place->rung?->id,
                    'exercise' => $place->rung?->name,
                    'setup' => $place->rung === null ? [] : $place->rung->coaching()->setup,
                    'dose' => $place->dose === null ? null : Wording::shown($place->dose->withSets(1)->withRest(null)),
                    'words' => $place->dose === null ? null : Wording::of($place->dose->withSets(1)->withRest(null)),
                    'swapped' => $place->swapped,
                    'why' => $place->why,
                ], $this->groups->places($ladder, $members), array_keys($members)),
            ], $stations, array_keys($stations)),
            'total' => ClockField::of($time->total()),
            'work' => ClockField::of(Seconds::ofMs($time->workMs)),
            'rest' => ClockField::of(Seconds::ofMs($time->restMs)),
            'kit' => array_map(
                fn (string $piece): array => ['id' => $piece, 'name' => $this->data->library()->equipment[$piece]->name ?? $piece],
                $turns->kit(),
            ),
            'stopped' => array_values(
                array_map(
                    static fn (GroupMember $each): array => [
                        'client' => $each->id,
                        'name' => $each->client->name,
                        'words' => $each->said->stop(),
                    ],
                    array_filter($everybody, static fn (GroupMember $each): bool => $each->said->stop() !== null),
                ),
            ),
            'stop_over' => LoggedSession::STOP_OVER,
            'notes' => [
                ...self::notes($body, count($members), count($stations)),
                ...$this->short($turns, $this->groups->kit($studio, $body), $body->has('rotate') && $body->bool('rotate')),
            ],
        ]);
    }

    /** The circuit as a file, each station by the name of its ladder, which anybody's own rung stands for. */
    public function file(Request $request, ProgramFile $files): Response
    {
        $body = Body::read($request, 'GroupRequest');
        $names = array_map(static fn (Ladder $ladder): string => $ladder->name, $this->groups->stations($body));
        $named = $this->groups->session($body, count($names))->mapEntries(
            static function (Entry $entry) use (&$names): Entry {
                return new Entry((string) array_shift($names), $entry->dose);
            },
        );

        return $files->ofSession($named, ProgramFile::form($request));
    }

    /** Everything a device needs to run it. */
    public function floor(Request $request, FloorPlanPage $plans): JsonResponse
    {
        $body = Body::read($request, 'GroupRequest');
        $studio = $this->trainer()->studio()->firstOrFail();
        $members = Groups::training($this->groups->members($this->trainer(), $body));
        if ($members === []) {
            throw UnusableInput::at('/clients', 'nobody of them trains today');
        }
        $stations = $this->groups->stations($body);

        return new JsonResponse(
            $plans->ofGroup(
                $studio,
                $members,
                $this->groups->session($body, count($stations)),
                $this->groups->turns($studio, $body, $stations, $members),
            ),
        );
    }

    /**
     * @param  array<string, int>  $kit
     * @return list<string>
     */
    private function short(GroupTurns $turns, array $kit, bool $rotate): array
    {
        return array_map(
            fn (array $short): string => sprintf(
                '%s %d: %d need %s, and there %s %d.',
                $rotate ? 'Turn' : 'Station',
                $short['turn'],
                $short['needs'],
                lcfirst($this->data->library()->equipment[$short['kit']]->name ?? $short['kit']),
                $short['has'] === 1 ? 'is' : 'are',
                $short['has'],
            ),
            $turns->short($kit),
        );
    }

    /**
     * @param  list<GroupMember>  $members
     * @return array<string, string> by client
     */
    private static function names(array $members): array
    {
        $names = [];
        foreach ($members as $member) {
            $names[$member->id] = $member->client->name;
        }

        return $names;
    }

    /** @return list<string> */
    private static function notes(Node $body, int $members, int $stations): array
    {
        $usual = Change::usual()->station->toNumber();

        return [
            ...(
                $body->number('rest_s') < $usual ? [
                    sprintf('The rest of %s s is shorter than a change of stations usually takes (%s s).', $body->number('rest_s'), $usual),
                ] : []
            ),
            ...($members > $stations ? ['There are more people than stations: some share one.'] : []),
        ];
    }
}
