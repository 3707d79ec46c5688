<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * A program read once for all rules: names matched, times counted, hard sessions found.
 */
final class AuditedProgram
{
    /** @var list<AuditedWeek> */
    public readonly array $weeks;

    private ?Steps $steps = null;

    /** @var array<string, Placement>|null by ladder */
    private ?array $placements = null;

    /** @var list<array{AuditedEntry, Client, Obstacles}>|null */
    private ?array $obstacles = null;

    /** @param  ?Client  $client  whose limits, kit, minutes and ability count; null where nobody is meant */
    public function __construct(
        public readonly Program $program,
        public readonly Library $library,
        public readonly Numbers $numbers,
        public readonly ?Client $client,
        private readonly Placer $placer,
        public readonly ?Style $style = null,
    ) {
        $weeks = [];
        foreach ($program->weeks as $w => $week) {
            $sessions = [];
            foreach ($week->sessions as $s => $session) {
                $sessions[] = $this->session($session, $w, $s);
            }
            $weeks[] = new AuditedWeek($w, $week->number, $sessions, $this->otherTraining($week));
        }
        $this->weeks = $weeks;
    }

    /** Another program, read the same way. */
    public function as(Program $program): self
    {
        return new self($program, $this->library, $this->numbers, $this->client, $this->placer, $this->style);
    }

    /** The steps of the client in the style that is asked for. */
    public function steps(): Steps
    {
        return $this->steps ??= new Steps($this->style, $this->client);
    }

    /** The longest unbroken hold that is allowed: the style's cap or a limit's, the smaller. */
    public function holdCap(): Seconds
    {
        $limit = Limit::holdCap($this->client->limits ?? []);

        return $limit !== null && $this->numbers->holdCap->isLongerThan($limit) ? $limit : $this->numbers->holdCap;
    }

    /** The level that is known of a client on a ladder: what is typed, tested, or stood on; null where nothing is. */
    public function abilityOn(Rung $rung): ?int
    {
        $client = $this->client;
        if ($client === null) {
            return null;
        }
        $shown = $client->shown[$rung->ladder] ?? null;
        $placement = $this->placement($rung->ladder);
        $known = array_filter([
            Shown::by($client)->abilityIn($rung->category)?->value,
            in_array(
                $placement?->basis,
                [Basis::Standing, Basis::HighestClean, Basis::Test],
                true,
            ) ? $placement->rung?->level->value : null,
            $shown !== null && $this->library->hasRung($shown) ? $this->library->rung($shown)->level->value : null,
        ]);

        return $known === [] ? null : max($known);
    }

    /** @return list<\EvenRungs\Core\Client\OtherTraining> what the week says; where it says nothing, what the client does */
    private function otherTraining(Week $week): array
    {
        return $week->otherTraining === [] ? $this->client->otherTraining ?? [] : $week->otherTraining;
    }

    private function session(Session $session, int $week, int $place): AuditedSession
    {
        $entries = [];
        foreach ($session->blocks as $b => $block) {
            foreach ($block->entries() as $e => $entry) {
                $sets = $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets;
                $entries[] = new AuditedEntry($entry, $this->library->find($entry->exercise), $sets, [$week, $place, $b, $e]);
            }
        }

        return new AuditedSession($session, SessionTime::of($session, $this->library), $entries, [$week, $place], $this->numbers);
    }

    /** The client as they are on the day of a session: away or at home with the minutes and the kit there. */
    public function clientFor(AuditedSession $session): ?Client
    {
        $client = $this->client === null ? null : $this->program->weeks[$session->place[0]]->clientIn($this->client);

        return $client?->isAtHomeOn($session->session->day) === true ? $client->atHome() : $client;
    }

    /**
     * @return list<array{AuditedEntry, Client, Obstacles}> what stands between the client and every exercise that is known; none without
     *                                                      a client
     */
    public function obstacles(): array
    {
        if ($this->obstacles === null) {
            $this->obstacles = [];
            foreach ($this->sessions() as $session) {
                $client = $this->clientFor($session);
                foreach ($session->entries as $entry) {
                    if ($client !== null && $entry->rung !== null) {
                        $this->obstacles[] = [$entry, $client, Obstacles::between($client, $entry->rung, $this->library)];
                    }
                }
            }
        }

        return $this->obstacles;
    }

    /** @return list<AuditedSession> */
    public function sessions(): array
    {
        return array_merge([], ...array_map(static fn (AuditedWeek $week): array => $week->sessions, $this->weeks));
    }

    /** Where the client would be placed on a ladder; null without a client. */
    public function placement(string $ladder): ?Placement
    {
        if ($this->client === null) {
            return null;
        }
        if ($this->placements === null) {
            $this->placements = [];
            foreach ($this->placer->place($this->client) as $placement) {
                $this->placements[$placement->ladder->id] = $placement;
            }
        }

        return $this->placements[$ladder] ?? null;
    }
}
