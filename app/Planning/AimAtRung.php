<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Support\Ledger;

/**
 * An aim on the wall.
 */
final class AimAtRung
{
    private const MOST = 6;

    public function __construct(private readonly Ledger $ledger, private readonly KnownRungs $rungs)
    {
    }

    /** Puts a rung on the wall as an aim, or takes it off. */
    public function at(Client $client, int $version, string $rungId, bool $wanted): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($rungId, $wanted): void {
            $rung = $this->rungs->known($rungId);
            $others = array_values(array_filter($locked->aims ?? [], static fn (string $each): bool => $each !== $rung->id));
            $locked->aims = $wanted ? array_slice([$rung->id, ...$others], 0, self::MOST) : $others;
        });
    }
}
