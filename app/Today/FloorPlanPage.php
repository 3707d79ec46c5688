<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\Studio;
use App\Planning\BoardLoader;
use App\Planning\ClientPlanner;
use App\Planning\Insistence;
use App\Support\StudioDay;
use Closure;
use DateTimeImmutable;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Edit\Allowed;
use EvenRungs\Core\Planning\Group\GroupMember;
use EvenRungs\Core\Planning\Group\GroupTurns;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Program\SegmentKind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * Everything a device needs to run a session without asking again: the timeline, the sets it fills, cues, figures, and the rule
 * that stops.
 */
final class FloorPlanPage
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ClientPlanner $planner,
        private readonly Spacing $spacing,
        private readonly FloorPlanView $view,
    ) {
    }

    /**
     * @param  ?string  $planned  key of the session in its program
     * @param  ?DateTimeImmutable  $date  for which it is planned
     * @param  array<string, mixed>|null  $door  what was said at the door, and what it changed
     * @return array<string, mixed>
     */
    public function ofClient(
        Studio $studio,
        Client $client,
        Session $session,
        ?string $planned = null,
        ?DateTimeImmutable $date = null,
        ?array $door = null,
    ): array {
        $this->planner->checkMayRun($client);
        $library = $this->data->library();
        $warning = $this->spacing->ofSession($client, $session, StudioDay::today()->toDateTimeImmutable());
        $person = $this->boards->person($client);
        [$session, $left] = $this->safe((new Preparation($library))->suiting($session, $person), $person);
        $time = SessionTime::of($session, $library);
        $sets = [];
        $kept = [];
        foreach (RunSheet::of($session, $time->timeline, $library) as $set) {
            $entry = $session->blocks[$set->block]->entries()[$set->entry];
            $rung = $library->find($entry->exercise);
            if ($rung !== null) {
                $sets[] = [0, $rung, $entry->dose, $set];
                $kept[$rung->id] = Insistence::of($entry)?->words();
            }
        }

        return ['door' => $door] + $this->view->of(
            $studio,
            $client->name,
            $session,
            $time->timeline,
            [FloorMemberView::of($studio, $client->id, $client->name, $person)],
            $sets,
            [...($warning === null ? [] : [$warning]), ...$left],
            array_filter($kept, is_string(...)),
            $planned,
            $date,
            [Style::mayHoldToFault($person)],
            [LastLoads::of($client)],
            [$this->words($client, $person)],
        );
    }

    /**
     * The session without what is stopped or barred and nobody insisted on.
     *
     * @return array{Session, list<string>} and what is left out, in words
     *
     * @throws UnusableInput where nothing remains
     */
    private function safe(Session $session, Person $person): array
    {
        $allowed = new Allowed($this->data->library(), $person);
        $left = array_map(
            fn (Obstacles $each): string => sprintf(
                'Left out: %s %s.',
                $each->rung->name,
                implode('; ', $each->safety($this->data->library())),
            ),
            $allowed->leftOut($session),
        );
        $safe = $allowed->session($session) ?? throw UnusableInput::at(
            '/',
            'nothing of this session may be done: '.lcfirst(implode(' ', $left)),
        );

        return [$safe, $left];
    }

    /** @return Closure(Rung): list<string> */
    private function words(Client $client, Person $person): Closure
    {
        $style = $this->boards->style($client);

        return static fn (Rung $rung): array => $style->words($rung, $person);
    }

    /**
     * @param  list<GroupMember>  $members
     * @return array<string, mixed>
     */
    public function ofGroup(Studio $studio, array $members, Session $session, GroupTurns $turns): array
    {
        $timeline = SessionTime::of($session, $this->data->library())->timeline;
        $ids = array_map(static fn (GroupMember $member): string => $member->id, $members);
        $records = array_map(
            static fn (GroupMember $each): Client => Client::query()->ofStudio($studio->id)->whereKey($each->id)->firstOrFail(),
            $members,
        );
        $sets = [];
        foreach ($timeline as $i => $segment) {
            foreach ($segment->kind === SegmentKind::Work ? $turns->at((int) $segment->entry) : [] as $place) {
                if ($place->rung !== null && $place->dose !== null) {
                    foreach (RunSheet::ofMember($i, $segment, $place->rung, $place->dose) as $set) {
                        $sets[] = [(int) array_search($place->member, $ids, true), $place->rung, $place->dose, $set];
                    }
                }
            }
        }

        return $this->view->of(
            $studio,
            'Group',
            $session,
            $timeline,
            array_map(
                static fn (GroupMember $each): array => FloorMemberView::of($studio, $each->id, $each->client->name, $each->client),
                $members,
            ),
            $sets,
            mayOpen: array_map(static fn (GroupMember $each): bool => Style::mayHoldToFault($each->client), $members),
            loads: array_map(static fn (Client $each): array => LastLoads::of($each), $records),
            words: array_map(fn (Client $record, GroupMember $each): Closure => $this->words($record, $each->client), $records, $members),
        );
    }
}
