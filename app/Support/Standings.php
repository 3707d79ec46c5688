<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Client;
use App\Models\Standing;
use App\Planning\BoardLoader;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Formats\DoseJson;
use EvenRungs\Storage\DataFolder;

/**
 * Where clients stand, written down: a list that is only added to, of which the newest of a ladder counts.
 */
final class Standings
{
    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    /** Lets the client stand where they train after what tests and ability, the goal and the style say. */
    public function placed(Client $client, Placement $placement, Person $person): void
    {
        $at = $this->trainsOn($client, $placement, $person);
        $this->stand(
            $client,
            $placement->ladder->id,
            $at === null ? null : new Position($at->rung, $at->step, $at->range),
            $placement->basis,
            $at->why ?? $placement->why,
            $person,
        );
    }

    /** Brings every standing that the goal or the style does not train any more to where it is trained. */
    public function settle(Client $client): void
    {
        $person = $this->boards->person($client);
        foreach ((new Placer($this->data->library(), $this->boards->style($client)))->place($person) as $placement) {
            $isThere = $placement->basis === Basis::Standing && $placement->rung !== null;
            if ($isThere && $this->trainsOn($client, $placement, $person)?->rung !== $placement->rung) {
                $this->placed($client, $placement, $person);
            }
        }
    }

    private function trainsOn(Client $client, Placement $placement, Person $person): ?ExerciseChoice
    {
        $chooser = new ExerciseChooser($this->data->library(), $this->boards->style($client));

        return $chooser->standsOn($person, GoalRule::for($person, $this->data->goals()), $placement);
    }

    /**
     * @param  list<string>  $why
     * @param  ?Person  $person  the client, where they are known already
     */
    public function stand(Client $client, string $ladder, ?Position $at, Basis $basis, array $why, ?Person $person = null): Standing
    {
        $dose = $at === null ? null : (
            new Steps($this->boards->style($client), $person ?? $this->boards->person($client))
        )->dose($at->rung, $at->step, $at->range);

        return Standing::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'ladder' => $ladder,
            'rung' => $at?->rung->id,
            'step' => $at->step ?? 0,
            'range' => $at?->range === null ? null : DoseJson::writeRange($at->range),
            'dose' => $dose === null ? null : DoseJson::write($dose),
            'basis' => ($at === null ? Basis::None : $basis)->value,
            'why' => $why,
        ]);
    }
}
