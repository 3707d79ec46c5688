<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Rung;

/**
 * What a licensed practitioner allowed a client again, and what is still stopped.
 */
final class Cleared
{
    private function __construct(private readonly Client $client)
    {
    }

    public static function for(Client $client): self
    {
        return new self($client);
    }

    /**
     * The clearance in force that lifts something.
     *
     * @param  ?DateTimeImmutable  $after  only one of a later day counts
     */
    public function by(string $lifts, ?DateTimeImmutable $after = null): ?Clearance
    {
        foreach ($this->client->clearances as $clearance) {
            if (
                $clearance->lifts === $lifts
                && $clearance->isInForce($this->client->asOf)
                && ($after === null || $clearance->on > $after)
            ) {
                return $clearance;
            }
        }

        return null;
    }

    /** No rung above this level, by the clearances in force; null where none says so. */
    public function level(): ?int
    {
        $levels = array_filter(
            array_map(
                fn (Clearance $each): ?int => $each->isInForce($this->client->asOf) ? $each->maxLevel : null,
                $this->client->clearances,
            ),
        );

        return $levels === [] ? null : min($levels);
    }

    /** The day of a stop of this ladder that no later clearance lifts; null where there is none. */
    public function stopOn(string $ladder): ?DateTimeImmutable
    {
        $on = ($this->client->standings[$ladder] ?? null)?->stopped;

        return $on === null || $this->by(
            Clearance::ofStop($ladder),
            $on,
        ) !== null || $this->by(Clearance::STOP_OF_ALL, $on) !== null ? null : $on;
    }

    /** A stop of everything that no later clearance lifts. */
    public function openStop(): ?Stop
    {
        return $this->client->stopped === null || $this->by(
            Clearance::STOP_OF_ALL,
            $this->client->stopped->on,
        ) !== null ? null : $this->client->stopped;
    }
}
