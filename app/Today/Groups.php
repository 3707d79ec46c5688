<?php

declare(strict_types=1);

namespace App\Today;

use App\Accounts\Studios;
use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Planning\ClientPlanner;
use App\Support\StudioDay;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Door\DoorAnswers;
use EvenRungs\Core\Planning\Group\GroupCircuit;
use EvenRungs\Core\Planning\Group\GroupMember;
use EvenRungs\Core\Planning\Group\GroupPlace;
use EvenRungs\Core\Planning\Group\GroupTurns;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * A small group on one clock, each on their own rung, as it was asked for.
 */
final class Groups
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ClientPlanner $planner,
    ) {
    }

    /**
     * @return list<GroupMember> also those whom what they said on arrival stops
     *
     * @throws UnusableInput where a clinician comes first
     */
    public function members(Trainer $trainer, Node $body): array
    {
        $said = $body->optionalChild('said');

        return array_map(
            fn (string $id): GroupMember => $this->member($trainer, $id, self::said($said?->optionalChild($id))),
            array_values(array_unique($body->strings('clients'))),
        );
    }

    private static function said(?Node $said): DoorAnswers
    {
        return new DoorAnswers(
            soreness: $said?->optionalInt('soreness') ?? 0,
            pain: $said?->optionalInt('pain') ?? 0,
            painKind: PainKind::tryFrom($said?->optionalString('pain_kind') ?? ''),
        );
    }

    /**
     * @param  list<GroupMember>  $members
     * @return list<GroupMember> without those who are stopped
     */
    public static function training(array $members): array
    {
        return array_values(array_filter($members, static fn (GroupMember $member): bool => $member->said->stop() === null));
    }

    private function member(Trainer $trainer, string $id, DoorAnswers $said): GroupMember
    {
        $record = Client::query()->seenBy($trainer)->whereKey($id)->firstOrFail();
        $board = $this->boards->load($record);
        if ($board->client->screen === null || $this->planner->whyNot($record, $board->client) !== null) {
            throw UnusableInput::at('/clients', sprintf('%s must be screened or see a clinician first', $record->name));
        }
        $placements = [];
        foreach ($board->placements as $placement) {
            $placements[$placement->ladder->id] = $placement;
        }

        return new GroupMember($id, $board->client, $placements, $said);
    }

    /**
     * @return list<Ladder> one a station
     *
     * @throws UnusableInput where there is no such ladder
     */
    public function stations(Node $body): array
    {
        $library = $this->data->library();

        return array_map(
            static fn (string $id, int $i): Ladder => $library->hasLadder($id) ? $library->ladder($id) : throw UnusableInput::at(
                '/stations/'.$i,
                sprintf('there is no ladder "%s"', $id),
            ),
            $body->strings('stations'),
            array_keys($body->strings('stations')),
        );
    }

    /**
     * @param  list<GroupMember>  $members
     * @return list<GroupPlace>
     */
    public function places(Ladder $station, array $members): array
    {
        $style = $this->data->style(DataFolder::DEFAULT_STYLE);
        $swaps = new Swaps($this->data->library(), $style->plan->withoutLadders);

        return (new GroupCircuit($this->data->library(), $swaps, $style))->station($station, $members);
    }

    /**
     * Who is where, turn by turn.
     *
     * @param  list<Ladder>  $stations
     * @param  list<GroupMember>  $members
     *
     * @throws UnusableInput where there is no such kit
     */
    public function turns(Studio $studio, Node $body, array $stations, array $members): GroupTurns
    {
        $places = array_map(fn (Ladder $ladder): array => $this->places($ladder, $members), $stations);

        return $body->bool('rotate') ? GroupTurns::rotating($places, $this->kit($studio, $body)) : GroupTurns::together($places);
    }

    /**
     * The pieces of the studio, and for this once what the body says instead.
     *
     * @return array<string, int> how many there are, by kit id; what is not named suffices
     *
     * @throws UnusableInput where there is no such kit
     */
    public function kit(Studio $studio, Node $body): array
    {
        $kit = array_intersect_key($studio->kit ?? [], $this->data->library()->equipment);
        foreach (Studios::kit($body, $this->data->library()) as $piece => $count) {
            $kit[$piece] = $count;
        }

        return array_filter($kit, is_int(...));
    }

    /** @param  int  $stations  how many */
    public function session(Node $body, int $stations): Session
    {
        $dose = new Dose(new Work(Seconds::of($body->number('work_s'))), 1, null, Seconds::of($body->number('rest_s')));

        return new Session(
            Weekday::from(strtolower(StudioDay::today()->format('D'))),
            Kind::Standalone,
            [
                new CircuitBlock(
                    array_map(
                        static fn (int $i): Entry => new Entry(
                            ($body->has('rotate') && $body->bool('rotate') ? 'Turn ' : 'Station ').($i + 1),
                            $dose,
                        ),
                        range(0, $stations - 1),
                    ),
                    $body->int('rounds'),
                    Seconds::zero(),
                    Seconds::zero(),
                ),
            ],
            Seconds::of($body->number('warm_up_s')),
            Seconds::of($body->number('cool_down_s')),
            Change::none(),
        );
    }
}
