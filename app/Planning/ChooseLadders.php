<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Support\Ledger;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * The ladders that a plan draws on.
 */
final class ChooseLadders
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly Ledger $ledger,
        private readonly PlanAgain $planAgain,
    ) {
    }

    /**
     * Chooses the ladders that plans draw on; where that changes the program in use, the trainer is asked.
     *
     * @param  list<string>|null  $ladders  null for all of the house style
     */
    public function as(Client $client, int $version, ?array $ladders): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($ladders): void {
            foreach ($ladders ?? [] as $i => $ladder) {
                if (! $this->data->library()->hasLadder($ladder)) {
                    throw UnusableInput::at('/ladders/'.$i, sprintf('there is no ladder "%s"', $ladder));
                }
            }
            $this->planAgain->after($locked, static function () use ($locked, $ladders): void {
                $locked->used_ladders = $ladders === null ? null : array_values(array_unique($ladders));
            });
        });
    }
}
