<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use DateTimeImmutable;
use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Bar;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Gate;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Writing;

/**
 * What stands between a client and a rung: limits that bar it, age or the level of a clearance, a stop of its ladder, kit that is
 * missing, gates not met yet.
 */
final class Obstacles
{
    /**
     * @param  list<Bar>  $bars
     * @param  list<string>  $missingKit
     * @param  list<Gate>  $unmetGates
     * @param  ?string  $unsuitable  why age, a clearance or loads that nobody graded leave the rung out, as it follows the rung's name
     * @param  ?DateTimeImmutable  $stopped  the day of a stop of the ladder that no clearance lifts
     */
    private function __construct(
        public readonly Rung $rung,
        public readonly array $bars,
        public readonly array $missingKit,
        public readonly array $unmetGates,
        public readonly ?string $unsuitable,
        public readonly ?DateTimeImmutable $stopped,
    ) {
    }

    public static function between(Client $client, Rung $rung, Library $library): self
    {
        $unmet = [];
        foreach ($library->gates($rung) as $gate) {
            if (! Shown::by($client)->has($library->rung($gate->rung), $library)) {
                $unmet[] = $gate;
            }
        }

        $level = Cleared::for($client)->level();
        $ungraded = $client->limits === [] ? [] : $library->unanswered($rung);
        $unsuitable = $ungraded !== []
            ? sprintf(
                'was not graded for %s, and nothing ungraded is planned for somebody with a limit',
                implode(', ', array_map(static fn (string $stress): string => lcfirst($library->stresses[$stress]->name), $ungraded)),
            )
            : null;
        $unsuitable ??= Age::of($client)->leavesOut($rung, $client)
            ?? (
                $level !== null && $rung->level->value > $level ? sprintf(
                    'is level %d, and the clearance allows %d at most',
                    $rung->level->value,
                    $level,
                ) : null
            );

        return new self(
            $rung,
            $client->bars($rung),
            $client->missingKit($rung),
            $unmet,
            $unsuitable,
            Cleared::for($client)->stopOn($rung->ladder),
        );
    }

    public function isClear(): bool
    {
        return $this->isSafe() && $this->missingKit === [] && $this->unmetGates === [];
    }

    /** Whether neither a limit nor age, a clearance or a stop forbids it: what only a trainer who insists may pass over. */
    public function isSafe(): bool
    {
        return $this->bars === [] && $this->unsuitable === null && $this->stopped === null;
    }

    /** @return list<string> each thing in the way, named once and shortly */
    public function labels(Library $library): array
    {
        return array_values(array_unique([
            ...($this->stopped === null ? [] : ['stopped']),
            ...array_map(static fn (Bar $bar): string => lcfirst($library->limits[$bar->limit]->name), $this->bars),
            ...($this->unsuitable === null ? [] : [match (true) {
                str_contains($this->unsuitable, 'not graded') => 'not graded',
                str_contains($this->unsuitable, 'clearance') => 'over the clearance',
                default => 'not at this age',
            }]),
            ...array_map(static fn (string $kit): string => 'no '.lcfirst($library->equipment[$kit]->name), $this->missingKit),
            ...array_map(static fn (Gate $gate): string => 'first '.$library->rung($gate->rung)->name, $this->unmetGates),
        ]));
    }

    /** @return list<string> what follows the rung's name, for what is not safe */
    public function safety(Library $library): array
    {
        return [
            ...(
                $this->stopped === null ? [] : [
                    sprintf('is stopped since %s, until a clearance of a later day', Writing::day($this->stopped)),
                ]
            ),
            ...array_map(
                static fn (Bar $bar): string => sprintf(
                    'is barred by %s: %s, grade %d',
                    lcfirst($library->limits[$bar->limit]->name),
                    lcfirst($library->stresses[$bar->stress]->name),
                    $bar->grade,
                ),
                $this->bars,
            ),
            ...($this->unsuitable === null ? [] : [$this->unsuitable]),
        ];
    }

    /** @return list<string> what follows the rung's name, for each obstacle */
    public function sentences(Library $library): array
    {
        $sentences = $this->safety($library);
        foreach ($this->missingKit as $kit) {
            $sentences[] = sprintf('needs kit that is not to hand: %s', lcfirst($library->equipment[$kit]->name));
        }
        foreach ($this->unmetGates as $gate) {
            $sentences[] = sprintf('comes later: first %s, %s', $library->rung($gate->rung)->name, $gate->what);
        }

        return $sentences;
    }
}
