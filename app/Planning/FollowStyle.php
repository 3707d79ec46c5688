<?php

declare(strict_types=1);

namespace App\Planning;

use App\Clients\ChangeClient;
use App\Clients\ClientDocument;
use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Formats\Node;

/**
 * Another house style for a client.
 */
final class FollowStyle
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
        private readonly ChangeClient $change,
    ) {
    }

    /**
     * Lets the client's plan follow another house style, and plans the program anew: its first week is the one that *What if* shows for the
     * same wishes.
     *
     * @param  Node  $wishes  the style, and minutes or more limits where they go with it
     */
    public function as(Client $client, Trainer $trainer, int $version, Node $wishes): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $wishes): void {
            $style = $wishes->string('style');
            $this->planner->checkStyle($style);
            $program = $this->boards->program($locked);
            $old = $locked->style;
            $document = ClientDocument::wished($locked->document, $wishes);
            $isOther = $document != $locked->document;
            // minutes and limits stay when the plan is taken back: then they are asked about
            $asked = $isOther ? ['days and minutes', 'limits'] : $locked->plan_asked;
            $before = [...$this->ledger->state($locked, $program), 'style' => $old, 'plan_asked' => $asked];
            $locked->style = $style;
            if ($isOther) {
                $this->change->known($locked, $trainer, $document, null);
            }
            if (! $this->planner->mayPlan($locked)) {
                return;
            }
            $planned = $this->planner->plannedAnew($locked);
            $locked->plan_asked = null;
            $this->ledger->record(
                $locked,
                $trainer,
                sprintf('Planned by %s', $this->boards->style($locked)->name),
                $before,
                [...$this->ledger->state($locked, $planned), 'style' => $style, 'plan_asked' => null],
            );
            $this->ledger->store($locked, $planned);
        });
    }
}
