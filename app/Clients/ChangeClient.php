<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Client;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Planning\PlanAgain;
use App\Support\Ledger;
use App\Support\PastDay;
use App\Support\Standings;
use App\Support\StudioDay;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * What is known of a client, replaced.
 */
final class ChangeClient
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly Standings $standings,
        private readonly Screening $screening,
        private readonly PlanAgain $planAgain,
    ) {
    }

    /**
     * Replaces what is known of the client. Ladders whose tests or ability changed are placed anew. The program in use stays; where another
     * would be planned now, the trainer is asked, and where planning stops it is kept aside.
     *
     * @param  array<string, mixed>  $document  even-rungs/client
     * @param  ?string  $asked  day on which the screen was asked again; null where it was not
     */
    public function to(Client $client, Trainer $trainer, int $version, array $document, ?string $asked = null): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $document, $asked): void {
            $this->planAgain->after($locked, fn () => $this->known($locked, $trainer, $document, $asked));
        });
    }

    /**
     * What is known of the client replaced, and the ladders placed anew whose tests or ability changed.
     *
     * @param  array<string, mixed>  $document  even-rungs/client
     */
    public function known(Client $locked, Trainer $trainer, array $document, ?string $asked): void
    {
        $before = $this->measured($locked->document, $this->boards->style($locked));
        $after = $this->measured($document, $this->boards->style($locked));
        $locked->document = $document;
        $person = $this->boards->person($locked);
        $locked->name = $person->name;
        $this->screening->keep(
            $locked,
            $trainer,
            $this->data->storedClients()->read(new Node($locked->document)),
            $asked !== null,
            $asked ?? StudioDay::today()->toDateString(),
        );
        foreach ($after as $ladder => $placement) {
            $old = $before[$ladder] ?? null;
            if ($old?->rung !== $placement->rung || ($old->step ?? null) !== $placement->step || $old?->basis !== $placement->basis) {
                $this->standings->placed($locked, $placement, $person);
            }
        }
        $this->standings->settle($locked);
    }

    /**
     * Where tests and ability alone would place a client, whatever the limits and the kit.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, Placement> by ladder
     */
    private function measured(array $document, Style $style): array
    {
        $free = [...$document, 'limits' => [], 'equipment' => array_keys($this->data->library()->equipment)];
        $placements = [];
        foreach ((new Placer($this->data->library(), $style))->place($this->data->storedClients()->read(new Node($free))) as $placement) {
            $placements[$placement->ladder->id] = $placement;
        }

        return $placements;
    }

    /**
     * Asks the screen again: every flag answered, the limits as they are today.
     *
     * @throws UnusableInput when the day is none, or lies ahead
     */
    public function asked(Client $client, Trainer $trainer, Node $body): void
    {
        $on = PastDay::of($body, 'on');
        $document = $client->document;
        $document['limits'] = $body->opaque('limits') === null ? [] : array_values($body->opaque('limits'));
        $document['screen'] = [...($document['screen'] ?? []), 'flags' => $body->strings('flags')];
        $this->to($client, $trainer, $body->int('version'), $document, $on);
    }
}
