<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;

/**
 * What a goal asks of the dose, the choice and the order.
 */
final class GoalRule
{
    private const AVOIDED_FROM_GRADE = 2;

    /** Sets of an exercise at most where nobody is meant (common practice, no source). */
    public const USUAL_MOST_SETS = 3;

    /**
     * @param  string  $intent  the kind of work, in words
     * @param  int  $sets  sets of an exercise that are meant
     * @param  int  $mostSets  sets of an exercise where the minutes allow
     * @param  list<Category>  $first  directions served first and more than the others, most wanted first
     * @param  array<string, int>  $sessions  sessions a week by category code where it differs from the style's
     * @param  ?int  $levelCap  no rung above this level
     * @param  list<Category>  $without  categories that are left out
     * @param  list<string>  $avoid  stresses that leave a rung out from grade 2
     * @param  bool  $circuit  the main part runs as a circuit
     * @param  bool  $showsRoles  the share of each role is worth showing
     * @param  bool  $standingFirst  standing rungs are preferred
     * @param  ?SetOrder  $order  of the exercises of a session, whatever the style; null leaves it to the style
     */
    public function __construct(
        public readonly Goal $goal,
        public readonly string $name,
        public readonly string $intent,
        public readonly int $sets,
        public readonly int $mostSets,
        public readonly array $first,
        public readonly array $sessions,
        public readonly ?int $levelCap,
        public readonly array $without,
        public readonly array $avoid,
        public readonly bool $circuit,
        public readonly bool $standingFirst,
        public readonly bool $showsRoles,
        public readonly ?SetOrder $order = null,
    ) {
    }

    /**
     * What the goal of a client asks. Under 18 the sets, the way of working and what is left out are those of the goal youth, whatever
     * the goal (house rule).
     *
     * @param  array<string, self>  $goals  by goal
     */
    public static function for(Client $client, array $goals): self
    {
        $own = $goals[$client->goal->value];
        $youth = $goals[Goal::Youth->value] ?? null;
        if ($youth === null || $own === $youth || ! Age::of($client)->isUnderAge()) {
            return $own;
        }
        $without = $own->without;
        foreach ($youth->without as $category) {
            $without = in_array($category, $without, true) ? $without : [...$without, $category];
        }

        return new self(
            $own->goal,
            $own->name,
            $own->intent,
            min($own->sets, $youth->sets),
            min($own->mostSets, $youth->mostSets),
            $own->first,
            $own->sessions,
            $own->levelCap,
            $without,
            array_values(array_unique([...$own->avoid, ...$youth->avoid])),
            $youth->circuit,
            $own->standingFirst,
            $own->showsRoles,
            $youth->order,
        );
    }

    /** Whether a rung stays under the goal's level and loads nothing that the goal avoids. */
    public function allows(Rung $rung): bool
    {
        foreach ($this->avoid as $stress) {
            if ($rung->grade($stress) >= self::AVOIDED_FROM_GRADE) {
                return false;
            }
        }

        return $this->levelCap === null || $rung->level->value <= $this->levelCap;
    }
}
