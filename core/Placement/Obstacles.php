<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Body\Bar;
use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Gate;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * What stands between a client and a rung: limits that bar it, kit that is missing, gates not met yet.
 */
final class Obstacles
{
    /**
     * @param  list<Bar>  $bars
     * @param  list<string>  $missingKit
     * @param  list<Gate>  $unmetGates
     */
    private function __construct(
        public readonly Rung $rung,
        public readonly array $bars,
        public readonly array $missingKit,
        public readonly array $unmetGates,
    ) {
    }

    public static function between(Client $client, Rung $rung, Library $library): self
    {
        $unmet = [];
        foreach ($rung->requires as $gate) {
            if (! $client->hasShown($library->rung($gate->rung), $library)) {
                $unmet[] = $gate;
            }
        }

        return new self($rung, $client->bars($rung), $client->missingKit($rung), $unmet);
    }

    public function isClear(): bool
    {
        return $this->bars === [] && $this->missingKit === [] && $this->unmetGates === [];
    }

    /** @return list<string> each thing in the way, named once and shortly */
    public function labels(Library $library): array
    {
        return array_values(array_unique([
            ...array_map(static fn (Bar $bar): string => lcfirst($library->limits[$bar->limit]->name), $this->bars),
            ...array_map(static fn (string $kit): string => 'no '.lcfirst($library->equipment[$kit]->name), $this->missingKit),
            ...array_map(static fn (Gate $gate): string => 'first '.$library->rung($gate->rung)->name, $this->unmetGates),
        ]));
    }

    /** @return list<string> what follows the rung's name, for each obstacle */
    public function sentences(Library $library): array
    {
        $sentences = [];
        foreach ($this->bars as $bar) {
            $sentences[] = sprintf('is barred by %s: %s, grade %d', lcfirst($library->limits[$bar->limit]->name), lcfirst($library->stresses[$bar->stress]->name), $bar->grade);
        }
        foreach ($this->missingKit as $kit) {
            $sentences[] = sprintf('needs kit that is not to hand: %s', lcfirst($library->equipment[$kit]->name));
        }
        foreach ($this->unmetGates as $gate) {
            $sentences[] = sprintf('comes later: first %s, %s', $library->rung($gate->rung)->name, $gate->what);
        }

        return $sentences;
    }
}
